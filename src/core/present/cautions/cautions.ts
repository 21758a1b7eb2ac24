import { weightOf } from '../../build/index.js';
import type { BuiltCabinet } from '../../cabinet/index.js';
import type { JobHead } from '../../decisions/index.js';
import { formatLengthWithUnit, within } from '../../ground/index.js';
import type { Part } from '../../part/index.js';
import type { Fitted, ResolvedCabinet } from '../../solve/index.js';

/** The step of the work at which a caution stands. */
export type WorkStep = 'cutting' | 'machining' | 'fitting' | 'moving' | 'installation';

type WholeCabinet = BuiltCabinet<ResolvedCabinet, Fitted>;

/** What a caution looks at. */
export interface CautionContext extends WholeCabinet {
  /** A length in mm as the job shows it, with its unit. */
  show(mm: number): string;
}

/** A way the work can hurt somebody: when it stands, what is said, and to whom it defers. */
export interface Caution {
  readonly id: string;
  readonly step: WorkStep;
  readonly title: string;
  /** What brings it about in this cabinet, in a sentence; undefined where nothing does. */
  because(context: CautionContext): string | undefined;
  readonly says: string;
  /** Whose word goes before this one. */
  readonly defers: string;
}

const MACHINE = "The machine maker's instructions go before this.";
const CODES =
  "The hardware maker's instructions, local codes and licensed trades go before this; these are sizes, not structural approval.";

/** Narrower rips and shorter crosscuts bring hands near the blade (mm). */
const NARROW = 60;
const SHORT = 250;

const first = (parts: readonly Part[]) => parts[0] as Part;
const many = (parts: readonly Part[]) => (parts.length === 1 ? '' : ` and ${parts.length - 1} more`);

const smallPieces: Caution = {
  id: 'small-pieces',
  step: 'cutting',
  title: 'Narrow and short pieces at the saw',
  because({ parts, show }) {
    const small = parts.filter(({ cutLength, cutWidth }) => cutWidth.value < NARROW || cutLength.value < SHORT);
    if (small.length === 0) return undefined;
    const { cutLength, cutWidth } = first(small);
    return `${first(small).name}${many(small)}: ${show(cutLength.value)} by ${show(cutWidth.value)} off the saw.`;
  },
  says: 'Use a push block and the riving knife, never cut free-hand, and rip narrow strips from a long, wide piece.',
  defers: MACHINE,
};

const dust: Caution = {
  id: 'dust',
  step: 'cutting',
  title: 'Dust and fumes',
  because: ({ parts }) => (parts.length > 0 ? 'Sheet stock and wood are cut, sanded and finished.' : undefined),
  says: 'Take the dust off at the machine, wear a mask, and air the room when you glue and finish.',
  defers: "The material maker's data sheets go before this.",
};

const cuttersInPanels: Caution = {
  id: 'cutters-in-panels',
  step: 'machining',
  title: 'Cutters in panels',
  because({ parts }) {
    const cut = parts.filter(({ machining }) =>
      machining.some(({ kind }) => ['groove', 'edge groove', 'rabbet', 'recess', 'cut-out', 'tenon'].includes(kind)),
    );
    return cut.length > 0
      ? `Grooves, rebates or recesses are cut in ${within(first(cut).name)}${many(cut)}.`
      : undefined;
  },
  says: 'Hold the panel down along its whole length, keep the guard over the cutter, never start or stop a cut by dropping the panel on it, and unplug the machine to set it.',
  defers: MACHINE,
};

const twoPeople: Caution = {
  id: 'two-people',
  step: 'moving',
  title: 'Two people',
  because({ parts, resolved }) {
    const weight = weightOf(parts).value;
    const most = resolved.settings.cautions.twoPeople.value;
    return weight >= most
      ? `The box with its fronts weighs ${weight.toFixed(0)} kg; one person lifts up to ${most}.`
      : undefined;
  },
  says: 'Two people lift it, or it is moved on a trolley and its doors and drawers go in afterwards.',
  defers: "Your shop's own rules on lifting go before this.",
};

/** From this height on a box that stands can tip (mm). */
const TALL = 1200;

const tipping: Caution = {
  id: 'tipping',
  step: 'installation',
  title: 'It can tip over',
  because({ cabinet, box, fronts, show }) {
    if (cabinet.kind === 'wall') return undefined;
    if (box.overallHeight.value >= TALL)
      return `It is ${show(box.overallHeight.value)} high and ${show(box.overallDepth.value)} deep.`;
    const drawers = fronts.filter(({ like, opens }) => like === 'drawer' && opens === 'out').length;
    return drawers > 1 ? `${drawers} drawers pulled out together move its weight in front of it.` : undefined;
  },
  says: 'Anchor it to the wall or to its neighbours before drawers are loaded and before it is left standing.',
  defers: CODES,
};

const hanging: Caution = {
  id: 'hanging',
  step: 'installation',
  title: 'It hangs',
  because: ({ cabinet, parts }) =>
    cabinet.kind === 'wall'
      ? `Empty it weighs ${weightOf(parts).value.toFixed(0)} kg; what is put in it comes to that.`
      : undefined,
  says: 'Screw through the nailers into studs or sound masonry with fixings rated for it loaded, and hold it up until every one is in.',
  defers: CODES,
};

const services: Caution = {
  id: 'services',
  step: 'installation',
  title: 'Pipes and cables in the wall',
  because: ({ cabinet, resolved: { given } }) =>
    cabinet.kind !== 'base' || given.left.what === 'wall' || given.right.what === 'wall'
      ? 'It is screwed to a wall.'
      : undefined,
  says: 'Find gas, water and electricity behind and beside it before anything is drilled, and keep the clearances to heat.',
  defers: CODES,
};

const springs: Caution = {
  id: 'springs',
  step: 'fitting',
  title: 'Springs under tension',
  because: ({ fitted: { lifts } }) =>
    lifts.length > 0
      ? `${lifts.length === 1 ? 'A front is' : `${lifts.length} fronts are`} lifted by springs.`
      : undefined,
  says: 'Keep the arms shut in their clip until the front hangs on them: an arm let go unloaded strikes with its whole spring. Keep hands and face out of its way.',
  defers: "The lift maker's own instructions go before this.",
};

const glass: Caution = {
  id: 'glass',
  step: 'moving',
  title: 'Glass',
  because({ parts }) {
    const panes = parts.filter(({ material }) => /\bglass\b/i.test(material.name));
    return panes.length > 0 ? `${first(panes).name}${many(panes)} is of ${first(panes).material.name}.` : undefined;
  },
  says: 'Wear gloves, carry it on edge, and use safety glass with its edges worked wherever somebody can fall against it.',
  defers: CODES,
};

/** Every caution there is, in the order of the work. A new one is one object and one name here. */
export const cautions: readonly Caution[] = [
  smallPieces,
  dust,
  cuttersInPanels,
  springs,
  twoPeople,
  glass,
  tipping,
  hanging,
  services,
];

/** A caution that stands for a cabinet, and why. */
export interface StandingCaution extends Pick<Caution, 'id' | 'step' | 'title' | 'says' | 'defers'> {
  readonly why: string;
}

/** The cautions that stand for a built cabinet, in the order of the work. */
export function cautionsFor({ display }: Pick<JobHead, 'display'>, built: WholeCabinet): StandingCaution[] {
  const context: CautionContext = { show: (mm) => formatLengthWithUnit(mm, display), ...built };
  return cautions.flatMap(({ id, step, title, says, defers, because }) => {
    const why = because(context);
    return why === undefined ? [] : [{ id, step, title, why, says, defers }];
  });
}
