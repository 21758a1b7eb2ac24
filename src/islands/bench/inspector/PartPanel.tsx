import { useState } from 'react';
import { decideParts, decisionOf, leaveToRules } from '../../../core/commands/index.js';
import {
  type DecidedPart,
  GRAIN_RUNS,
  type GrainRuns,
  MADE,
  type Made,
  newId,
  type PartField,
  type PartSide,
} from '../../../core/decisions/index.js';
import { canBeLeftOut, EDGES, edgeName, type Part } from '../../../core/part/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { useBench } from '../context.js';

/** What is decided of the selected part alone: material, bands, grain, what is left on, a note, made, bought or left out. */
export function PartPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const row = solved.rows.find(({ keys }) => selected !== null && keys.includes(selected));
  const part = solved.parts.find(({ key }) => key === selected);
  if (!row || !part) return null;
  return <OnePart key={part.key} solved={solved} part={part} alike={row.keys} />;
}

function OnePart({ solved, part, alike }: { solved: SolvedCabinet; part: Part; alike: readonly string[] }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const materials = useBench((state) => state.job.materials);
  const [all, setAll] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const decision = decisionOf(solved, part.key);
  const keys = all ? alike : [part.key];
  const called = part.name.toLowerCase();
  const decide = <F extends PartField>(label: string, field: F, value: DecidedPart[F] | undefined) => {
    const outcome = act(decideParts(solved, keys, `${part.name}: ${label}`, field, value, newId));
    setProblem(outcome.ok ? null : outcome.message);
    return outcome;
  };
  const sides = EDGES.map((edge) => ({ edge, side: edgeName(part.placement, edge) as PartSide }));
  const banded = (side: PartSide) => part.bands.some(({ edge }) => edgeName(part.placement, edge) === side);
  const role = materials.find(({ id }) => id === part.material.id)?.name ?? part.material.name;
  return (
    <details className="sheet p-3" open={decision !== undefined} aria-label="This part alone">
      <summary className="caps cursor-pointer">
        This part alone{decision ? <span className="text-pencil normal-case"> (decided)</span> : ''}
      </summary>
      <div className="mt-1 flex flex-col gap-2">
        <p className="font-semibold leading-snug">{part.name}</p>
        {alike.length > 1 && (
          <label className="flex min-h-7 items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-pencil"
              checked={all}
              onChange={(event) => setAll(event.currentTarget.checked)}
            />
            All {alike.length} that are alike
          </label>
        )}
        <Pick
          label="Material"
          value={decision?.material ?? ''}
          choices={[
            ['', `by the rules${decision?.material ? '' : `: ${role}`}`],
            ...materials.map(({ id, name }) => [id, name] as const),
          ]}
          choose={(value) => decide('material', 'material', value === '' ? undefined : value)}
        />
        <fieldset>
          <legend className="text-ink-soft">Banded edges</legend>
          <div className="grid grid-cols-2">
            {sides.map(({ edge, side }) => (
              <label key={edge} className="flex min-h-7 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-pencil"
                  aria-label={`Band the ${side} edge of the ${called}`}
                  checked={banded(side)}
                  onChange={(event) =>
                    decide('bands', 'bands', { ...decision?.bands, [side]: event.currentTarget.checked })
                  }
                />
                {side}
              </label>
            ))}
          </div>
        </fieldset>
        {part.material.grain === 'length' && (
          <Pick
            label="Grain runs"
            value={decision?.grain ?? 'length'}
            choices={Object.entries(GRAIN_RUNS)}
            choose={(value) => decide('grain', 'grain', value === 'length' ? undefined : (value as GrainRuns))}
          />
        )}
        <fieldset>
          <legend className="text-ink-soft">Left on, to be scribed or trimmed in place</legend>
          <div className="grid grid-cols-2 gap-x-2">
            {sides.map(({ edge, side }) => (
              <LengthField
                key={edge}
                label={side}
                hideLabel={false}
                style={style}
                mm={decision?.oversize?.[side] ?? 0}
                onCommit={(mm) => {
                  const { [side]: _was, ...rest } = decision?.oversize ?? {};
                  const left = mm > 0 ? { ...rest, [side]: mm } : rest;
                  return decide('left on', 'oversize', Object.keys(left).length > 0 ? left : undefined);
                }}
              />
            ))}
          </div>
        </fieldset>
        <Pick
          label="It is"
          value={decision?.made ?? 'here'}
          choices={Object.entries(MADE).filter(([made]) => made !== 'left out' || canBeLeftOut(part))}
          choose={(value) => decide('made', 'made', value === 'here' ? undefined : (value as Made))}
        />
        <label className="flex flex-col">
          <span className="text-ink-soft">Note on its label</span>
          <input
            className="entry"
            maxLength={200}
            defaultValue={decision?.note ?? ''}
            key={decision?.note ?? ''}
            onBlur={(event) => {
              const note = event.currentTarget.value.trim();
              if (note !== (decision?.note ?? '')) decide('note', 'note', note === '' ? undefined : note);
            }}
          />
        </label>
        {decision && (
          <button
            type="button"
            className="act self-start"
            onClick={() => act(leaveToRules(solved, keys, `${part.name}: left to the rules`))}
          >
            Leave all of it to the rules
          </button>
        )}
        {problem && (
          <p role="alert" className="font-semibold text-finding">
            {problem}
          </p>
        )}
      </div>
    </details>
  );
}

interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly choose: (value: string) => void;
}

function Pick({ label, value, choices, choose }: PickProps) {
  return (
    <label className="flex flex-col">
      <span className="text-ink-soft">{label}</span>
      <select className="entry min-w-0" value={value} onChange={(event) => choose(event.currentTarget.value)}>
        {choices.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
