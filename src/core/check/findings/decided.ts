import type { Compartment } from '../../build/index.js';
import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import {
  type DecidedHeight,
  type DividerKind,
  type Interior,
  interiorOf,
  isDivided,
  isFill,
  isSplit,
  type OwnPath,
  ownPathTo,
  type ProposedAct,
  pathTo,
  type Split,
  shelvesFill,
} from '../../decisions/index.js';
import { capital } from '../../ground/index.js';

/** Heights that were decided for shelves or hinges there are none of, or beyond what they would stand in. */
const heightNotFollowed: FindingRule = {
  id: 'decided/height-not-followed',
  check(context) {
    const { face, interiors, decidedHeights } = context;
    if (!face.ok) return [];
    return [
      ...interiors.compartments.flatMap((room) => shelfHeights(context, room)),
      ...decidedHeights.flatMap(({ what, name, room, list, decided, count }) =>
        notFollowed(context, name, { what, list }, decided, count, room),
      ),
    ];
  },
};

function shelfHeights(context: RuleContext, { name, path, fill, inside }: Compartment): FindingDraft[] {
  if (!isFill(fill, 'shelves') || !fill.shelvesAt) return [];
  const list = shelvesFill.at(path, 'shelvesAt');
  return notFollowed(context, name, { what: 'shelf', list }, fill.shelvesAt, fill.shelves, inside.v.size.value);
}

function notFollowed(
  { show }: RuleContext,
  name: string,
  { what, list: path }: { readonly what: 'shelf' | 'hinge'; readonly list: OwnPath },
  decided: readonly DecidedHeight[],
  count: number,
  room: number,
): FindingDraft[] {
  return decided.flatMap(({ id, mm }): FindingDraft[] => {
    const number = Number(id.slice(1));
    const none = number > count;
    if (!none && mm < room) return [];
    const drop: ProposedAct = {
      label: `Let go of the height of ${what} ${number}`,
      edits: [{ path: pathTo.entry(path, id), value: undefined }],
    };
    return [
      {
        severity: 'warn',
        what: none
          ? `${capital(name)} has ${count === 1 ? `one ${what}` : `${count} ${plural(what)}`}; a height of ${show(mm)} is decided for ${what} ${number}.`
          : `${capital(what)} ${number} of ${name} was to stand at ${show(mm)}; there are ${show(room)}.`,
        why: 'That decision is not followed. Let it go, or make room for it.',
        settings: [path],
        fixes: [drop],
      },
    ];
  });
}

const plural = (what: 'shelf' | 'hinge') => (what === 'shelf' ? 'shelves' : 'hinges');

/** A divider that was decided and cannot stand there, as a shelf between columns. */
const dividerNotFollowed: FindingRule = {
  id: 'decided/divider-not-followed',
  check({ cabinet }) {
    return [...wrongDividers(cabinet.face), ...wrongInside(cabinet.face)].map(
      ({ divider, columns }): FindingDraft => ({
        severity: 'warn',
        what: columns
          ? `A ${WORDS[divider]} is decided between two columns, where only a partition can stand.`
          : 'A partition is decided between two rows, where it would lie.',
        why: "That decision is not followed; the shop's own divider stands there instead. Choose one that can.",
        settings: [ownPathTo.face],
      }),
    );
  },
};

const WORDS = {
  shelf: 'fixed shelf',
  stretcher: 'stretcher',
  web: 'web frame',
  partition: 'partition',
  none: 'gap',
} as const;

interface WrongDivider {
  readonly divider: DividerKind;
  readonly columns: boolean;
}

/** Members of a split whose divider cannot stand between them: a shelf between columns, a partition between rows. */
function wrongAmong({
  kind,
  parts,
}: Pick<Split, 'kind'> & { parts: readonly { divider?: DividerKind | undefined }[] }) {
  const columns = kind === 'columns';
  return parts.slice(0, -1).flatMap(({ divider }): WrongDivider[] => {
    if (divider === undefined || divider === 'none') return [];
    return columns === (divider === 'partition') ? [] : [{ divider, columns }];
  });
}

function wrongDividers(split: Split): WrongDivider[] {
  return [...wrongAmong(split), ...split.parts.flatMap(({ fill }) => (isSplit(fill) ? wrongDividers(fill) : []))];
}

/** The same of the rooms behind fronts and in open bays. */
function wrongInside(split: Split): WrongDivider[] {
  const inside = (room: Interior | undefined): WrongDivider[] =>
    room && isDivided(room) ? [...wrongAmong(room), ...room.parts.flatMap(({ fill }) => inside(fill))] : [];
  return split.parts.flatMap(({ fill }) => (isSplit(fill) ? wrongInside(fill) : inside(interiorOf(fill))));
}

export const decidedRules: readonly FindingRule[] = [heightNotFollowed, dividerNotFollowed];
