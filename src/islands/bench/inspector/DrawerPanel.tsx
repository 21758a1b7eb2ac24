import { Fragment, useState } from 'react';
import { type Dim, formatLengthWithUnit } from '../../../core/ground/index.js';
import {
  drawerFill,
  type FittedDrawer,
  heightsByContents,
  heightsBySides,
  runnerAt,
  sideStep,
} from '../../../core/kinds/runners/index.js';
import { partKeys } from '../../../core/part/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { useActOn, useBench } from '../context.js';
import { FigureRow, Taught, WhyNot } from './FigureRow.js';
import { Raised } from './Raised.js';

/** Who says how far something stands out. */
const FROM = { measured: 'measured', table: 'by the hinge’s table', geometry: 'by door and hinge' } as const;

/** The drawer a part belongs to: its front, its box, its packing. */
function drawerOf({ fitted, fronts }: SolvedCabinet, selected: string | null): FittedDrawer | undefined {
  if (selected === null) return undefined;
  const runner = runnerAt(fitted.runners, selected);
  if (runner) return runner.drawer;
  return fitted.runners.find(({ opening, front, parts }) => {
    const own = fronts.find(({ key }) => key === front);
    return (
      own?.parts.some(({ key }) => key === selected) ||
      parts.includes(selected) ||
      (partKeys.packing.read(selected) ?? partKeys.spacer.read(selected))?.opening === opening
    );
  });
}

/** The drawer that is selected: its box from opening to inside, its runners, and why no other length or kind. */
export function DrawerPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const style = useBench((state) => state.job.display);
  const drawer = drawerOf(solved, selected);
  if (!drawer) return null;
  const { plan, runner, packing, against } = drawer;
  const show = (mm: number) => formatLengthWithUnit(mm, style);
  const row = (name: string, dim: Dim | undefined) => <FigureRow name={name} dim={dim} within={drawer} />;
  const told = against.filter(({ unasked }) => !unasked);
  return (
    <section aria-label="Drawer behind this front" className="sheet p-3">
      <h2 className="caps">{drawer.name}</h2>
      {runner ? (
        <p className="font-semibold leading-snug">
          {runner.profile.name}, {show(runner.length.value)}
          <span className="block text-[0.8125rem] font-normal text-ink-soft">{runner.profile.maker}</span>
          <Taught profile={runner.profile} />
        </p>
      ) : (
        <p className="leading-snug">{plan ? 'Wood on wood, on what lies under it' : 'No runner in the library fits'}</p>
      )}
      {row('Opening for the runners', drawer.across)}
      {(['left', 'right'] as const).map((hand) => {
        const spacer = drawer.spacers?.[hand];
        if (!spacer)
          return (
            packing[hand].value > 0 && (
              <Fragment key={hand}>{row(`Packed out, ${hand}`, drawer.packing[hand])}</Fragment>
            )
          );
        return (
          <Fragment key={hand}>
            {row(`Stands out at the ${hand}, ${FROM[spacer.from]}`, drawer.spacers?.[hand]?.encroachment)}
            {row(`Spacer, ${hand}`, drawer.spacers?.[hand]?.thickness)}
            {spacer.layers.length > 1 && (
              <p className="text-[0.8125rem] leading-snug text-ink-soft">
                glued up of {spacer.layers.map(({ thickness }) => show(thickness.value)).join(' and ')}
              </p>
            )}
          </Fragment>
        );
      })}
      {(drawer.spacers?.left ?? drawer.spacers?.right)?.underside &&
        row('Spacer stick, from the floor of the cabinet', (drawer.spacers?.left ?? drawer.spacers?.right)?.underside)}
      {row('Box width, outside', drawer.plan?.outside)}
      {row('Box width, inside', drawer.plan?.inside)}
      {row('Box height', drawer.plan?.height)}
      {row('Free above the box', drawer.plan?.free)}
      {row('Box length', drawer.plan?.length)}
      {row(`Depth to the ${drawer.rearBy}`, drawer.depth)}
      {row('Contents at most', drawer.runner?.contents)}
      {row('The pair carries', drawer.runner?.load)}
      {runner && <Raised solved={solved} drawer={drawer} />}
      <WhatGoesIn solved={solved} drawer={drawer} />
      <WhyNot
        against={told.map(({ profile, name, length, why }) => ({
          key: `${profile}/${length ?? ''}`,
          name: length === undefined ? name : `${name}, ${show(length)}`,
          why,
        }))}
      />
      <p className="text-[0.8125rem] leading-snug text-ink-soft">
        {plan && !runner
          ? 'Fit the box dry, and plane its sides to the season.'
          : 'The runner maker’s own sheet always wins over these figures.'}
      </p>
    </section>
  );
}

/** What goes into the drawer, and heights shared out over its stack by it, or by the sides of the boxes. */
function WhatGoesIn({ solved, drawer }: { solved: SolvedCabinet; drawer: FittedDrawer }) {
  const act = useActOn(solved);
  const style = useBench((state) => state.job.display);
  const [problem, setProblem] = useState<string | null>(null);
  const { contents, path, opening, inner, name } = drawer;
  const { face, fitted, parts, resolved } = solved;
  const attempt = (next: Parameters<typeof act>[0]) => {
    const outcome = act(next);
    setProblem(outcome.ok ? null : outcome.message);
    return outcome;
  };
  const say = (field: 'height' | 'weight', value: number) => {
    const { [field]: _was, ...rest } = contents ?? {};
    const said = value > 0 ? { ...rest, [field]: value } : rest;
    const edit = { path: drawerFill.at(path, 'contents'), value: Object.keys(said).length > 0 ? said : undefined };
    return act({ label: `${name}: what goes in`, edits: [edit] });
  };
  const step = sideStep(resolved.settings, style.unit);
  const stack = face.ok && !inner ? face : undefined;
  const byContents = stack && heightsByContents(stack, fitted.runners, parts, opening);
  const bySides = stack && heightsBySides(stack, fitted.runners, opening, step);
  return (
    <fieldset className="my-1 flex flex-col gap-1 border-t border-sheet-edge pt-1">
      <legend className="sr-only">What goes in</legend>
      <LengthField
        label="What goes in is so high"
        hideLabel={false}
        style={style}
        mm={contents?.height ?? 0}
        onCommit={(mm) => say('height', mm)}
      />
      <div className="flex items-center justify-between gap-2">
        <span>and weighs, kg</span>
        <PlainField
          label="What goes in weighs, kg"
          value={contents?.weight ?? 0}
          onCommit={(value) => say('weight', value)}
        />
      </div>
      {byContents && (
        <button type="button" className="act" onClick={() => attempt(byContents)}>
          Share the heights out by what goes in
        </button>
      )}
      {bySides && (
        <button type="button" className="act" onClick={() => attempt(bySides)}>
          Boxes in whole steps of {formatLengthWithUnit(step, style)}
        </button>
      )}
      {problem && (
        <p role="alert" className="font-semibold text-finding">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
