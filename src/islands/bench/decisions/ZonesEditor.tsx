import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { addZone } from '../../../core/commands/index.js';
import { newId, pathTo, type ZoneMeasure } from '../../../core/decisions/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { useBench } from '../context.js';

const PLACE: readonly (readonly [ZoneMeasure, string])[] = [
  ['left', 'from the left face'],
  ['up', 'above the underside'],
  ['behind', 'behind the front edge'],
  ['width', 'wide'],
  ['height', 'high'],
  ['depth', 'deep'],
];

/** Boxes of space that pipes, traps or sockets need: named, placed from left, underside and front, and sized. */
export function ZonesEditor({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const [problem, setProblem] = useState<string | null>(null);
  const { cabinet } = solved;
  const zones = cabinet.zones ?? [];
  const attempt = (label: string, edits: Parameters<typeof act>[0]['edits']) => {
    const outcome = act({ label, edits });
    setProblem(outcome.ok ? null : outcome.message);
    return outcome;
  };
  const add = () => {
    const { label, edits } = addZone(solved, newId);
    attempt(label, edits);
  };
  return (
    <div className="flex flex-col gap-2">
      {zones.length === 0 && (
        <p className="text-[0.9375rem] leading-snug text-ink-soft">
          Room that pipes, a trap or a socket need. Runners behind it are chosen shorter, and whatever else stands there
          is found.
        </p>
      )}
      {zones.map((zone) => (
        <fieldset key={zone.id} className="flex flex-col gap-1 border-l-4 border-rule pl-2">
          <legend className="sr-only">Keep-out box {zone.name}</legend>
          <div className="flex items-center gap-1">
            <input
              aria-label="Name of the keep-out box"
              className="entry min-w-0 flex-1 font-semibold"
              defaultValue={zone.name}
              key={zone.name}
              onBlur={(event) => {
                const name = event.currentTarget.value.trim();
                if (name && name !== zone.name)
                  attempt('Keep-out box named', [{ path: pathTo.zoneField(cabinet.id, zone.id, 'name'), value: name }]);
              }}
            />
            <button
              type="button"
              className="grid size-7 place-items-center hover:text-pencil"
              aria-label={`Keep-out box ${zone.name} away`}
              onClick={() =>
                attempt('Keep-out box removed', [{ path: pathTo.zone(cabinet.id, zone.id), value: undefined }])
              }
            >
              <Trash2 size={15} />
            </button>
          </div>
          {PLACE.map(([field, words]) => (
            <div key={field} className="flex items-center gap-1">
              <span className="flex-1 text-[0.9375rem]">{words}</span>
              <LengthField
                label={`${zone.name}, ${words}`}
                mm={zone[field]}
                style={style}
                className="w-20 font-semibold"
                onCommit={(mm) =>
                  attempt(`${zone.name}, ${words}`, [{ path: pathTo.zoneField(cabinet.id, zone.id, field), value: mm }])
                }
              />
            </div>
          ))}
        </fieldset>
      ))}
      <button type="button" className="act self-start" disabled={zones.length >= 20} onClick={add}>
        <Plus size={16} aria-hidden="true" /> Keep a box free
      </button>
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
          {problem}
        </p>
      )}
    </div>
  );
}
