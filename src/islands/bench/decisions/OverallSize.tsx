import { useState } from 'react';
import { sizeNames } from '../../../core/commands/index.js';
import { type EditPath, pathTo } from '../../../core/decisions/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import { Setting } from './SettingRow.js';

/** Name and sizes, and what the depth means. */
export function OverallSize({ solved }: { solved: SolvedCabinet }) {
  return (
    <div className="flex flex-col gap-1 pt-2 pb-3">
      <OverallFields solved={solved} />
      <Setting path="depth/means" solved={solved} />
      {solved.resolved.settings.depth.means.value === 'fronts' && <Setting path="depth/bumper" solved={solved} />}
    </div>
  );
}

/** Name, width, height and depth; the height also from a finished worktop. */
export function OverallFields({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const job = useBench((state) => state.job);
  const openTape = useBench((state) => state.openTape);
  const { cabinet, box, resolved } = solved;
  const at = (field: Parameters<typeof pathTo.cabinetField>[1]) => pathTo.cabinetField(cabinet.id, field);
  const style = job.display;
  const names = sizeNames(solved);
  const size = (label: string, edit: EditPath, mm: number, dim: 'overallWidth' | 'overallHeight' | 'overallDepth') => (
    <div className="flex items-center justify-between gap-2">
      <span>{label}</span>
      <LengthField
        label={label}
        mm={mm}
        style={style}
        names={names}
        path={edit}
        className="w-28 text-[1.125rem] font-semibold"
        onFocus={() => openTape(`box/${dim}`)}
        onCommit={(next) => act({ label, edits: [{ path: edit, value: next }] })}
      />
    </div>
  );
  const fromWorktop = cabinet.size.height.from === 'worktop';
  return (
    <>
      <TextRow
        label="Cabinet name"
        value={cabinet.name}
        onCommit={(name) => act({ label: 'Cabinet name', edits: [{ path: at('name'), value: name }] })}
      />
      {size('Overall width', at('size/width'), cabinet.size.width, 'overallWidth')}
      {fromWorktop ? (
        <>
          {size(
            'Finished worktop height',
            at('size/height/finished'),
            cabinet.size.height.from === 'worktop' ? cabinet.size.height.finished : 0,
            'overallHeight',
          )}
          <Setting path="worktop/thickness" solved={solved} />
          <p className="text-right text-ink-soft">
            cabinet height <Length mm={box.overallHeight.value} style={style} />
          </p>
        </>
      ) : (
        size(
          'Overall height',
          at('size/height/mm'),
          cabinet.size.height.from === 'overall' ? cabinet.size.height.mm : 0,
          'overallHeight',
        )
      )}
      {size('Overall depth', at('size/depth'), cabinet.size.depth, 'overallDepth')}
      <label className="flex min-h-8 items-center gap-2 text-ink-soft">
        <input
          type="checkbox"
          className="size-4 accent-pencil"
          checked={fromWorktop}
          onChange={(event) =>
            act({
              label: 'Height from the worktop',
              edits: [
                {
                  path: at('size/height'),
                  value: event.currentTarget.checked
                    ? { from: 'worktop', finished: box.overallHeight.value + resolved.settings.worktop.thickness.value }
                    : { from: 'overall', mm: box.overallHeight.value },
                },
              ],
            })
          }
        />
        Height from a finished worktop
      </label>
    </>
  );
}

function TextRow({ label, value, onCommit }: { label: string; value: string; onCommit: (value: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    const next = typed?.trim();
    if (next && next !== value) onCommit(next);
    setTyped(null);
  };
  return (
    <input
      aria-label={label}
      className="entry w-full text-[1.125rem] font-semibold"
      value={typed ?? value}
      maxLength={80}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  );
}
