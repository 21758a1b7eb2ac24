import { useCallback } from 'react';
import { formatLengthWithUnit } from '../../../../core/ground/index.js';
import { drawPlan, planLevels } from '../../../../core/present/index.js';
import type { SolvedCabinet } from '../../../../core/solve/index.js';
import { LengthField } from '../../../fields/LengthField.js';
import { useBench } from '../../context.js';
import { DrawingSheet } from '../DrawingSheet.js';
import type { View, ViewProps } from './view.js';

/** The level that was chosen; that of the selected drawer; the uppermost otherwise. */
function useLevel(solved: SolvedCabinet) {
  const { level } = useBench((state) => state.plan);
  const selected = useBench((state) => state.selected);
  const levels = planLevels(solved);
  const drawer = solved.fitted.runners.find(
    ({ parts, front }) => selected && (front === selected || parts.includes(selected)),
  );
  return {
    levels,
    shown: levels.find(({ id }) => id === (level ?? drawer?.opening)) ?? levels[0],
  };
}

function PlanChooser({ solved }: { solved: SolvedCabinet }) {
  const { levels, shown } = useLevel(solved);
  const cut = useBench((state) => state.cutPlan);
  const { open, at } = useBench((state) => state.plan);
  const style = useBench((state) => state.job.display);
  if (!shown) return null;
  const most = solved.box.height.value;
  const isDrawer = solved.fitted.runners.some(({ opening, plan }) => opening === shown.id && plan);
  return (
    <>
      <select
        aria-label="Cut through"
        className="entry ml-2 min-w-0 max-w-60 flex-1"
        value={shown.id}
        onChange={(event) => cut({ level: event.currentTarget.value, open, at: null })}
      >
        {levels.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <span className="ml-2 w-20 shrink-0">
        <LengthField
          label="Height of the cut above the underside of the box"
          style={style}
          mm={at ?? shown.at}
          onCommit={(mm) => {
            if (mm < 0 || mm > most)
              return { ok: false, message: `The box is ${formatLengthWithUnit(most, style)} high.` };
            cut({ level: shown.id, open: false, at: mm });
            return { ok: true };
          }}
        />
      </span>
      {isDrawer && (
        <button
          type="button"
          className="act ml-1 shrink-0 whitespace-nowrap"
          aria-pressed={open}
          onClick={() => cut({ level: shown.id, open: !open, at: null })}
        >
          {open ? 'Shut it' : 'Open it'}
        </button>
      )}
    </>
  );
}

function PlanSheet({ solved, savedAt }: ViewProps) {
  const jobName = useBench((state) => state.job.name);
  const { open, at } = useBench((state) => state.plan);
  const { shown } = useLevel(solved);
  const id = shown?.id;
  const draw = useCallback(
    (each: SolvedCabinet) => {
      const level = planLevels(each).find((other) => other.id === id);
      return level && drawPlan(each, jobName, at ?? level.at, { open: open ? level.id : undefined });
    },
    [jobName, id, open, at],
  );
  return <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} />;
}

/** The plan: cut through a room or a drawer, the front below, doors open. */
export const plan: View<'plan'> = { id: 'plan', label: 'Plan', key: 'l', Sheet: PlanSheet, Chooser: PlanChooser };
