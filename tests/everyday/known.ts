/**
 * What still stands against some cabinet of the sweep, and why that is right. A stop is here only where somebody chose,
 * in one step, what cannot be made with the rest as it is: the dialog says so before it is chosen. Whatever is found
 * beside these is a fault, and so is a line here that nothing meets any more.
 */
export interface Known {
  readonly rule: string;
  /** The choices it is said of, as they are named in the sweep; left out where sizes alone ask for it. */
  readonly of?: RegExp;
  readonly why: string;
}

export const KNOWN_STOPS: readonly Known[] = [
  {
    rule: 'hinges/not-reachable',
    of: /hinges\/(family (concealed|compact|semi|noMortise|butt)|closing (snap|free))/,
    why: 'a family, or a way of closing, of which the starting library has none for this construction and fit',
  },
  {
    rule: 'drawers/no-runner',
    of: /drawers\/(family tall|closing push)|top\/kind uprightFront/,
    why: 'tall runners under a low drawer, push-to-open of a family that has none, or a drawer behind an upright rail that fills its opening',
  },
  {
    rule: 'drawers/nothing-carries',
    of: /dividers\/betweenFronts (none|stretcher)/,
    why: 'wooden runners with nothing for them to lie on',
  },
  {
    rule: 'carcass/bottom-in-withdrawal',
    of: /bottom\/place under/,
    why: 'the bottom of a box that hangs, screwed up into the ends of its sides, is pulled out by what stands in it',
  },
  {
    rule: 'carcass/wall-without-nailer',
    of: /nailer\/rails none/,
    why: 'a wall cabinet without nailers on a thin back hangs by nothing',
  },
  {
    rule: 'sizes/part-exceeds-sheet',
    of: /back\/grain across|fronts\/doorGrain across/,
    why: 'grain across something that is longer than sheets are wide',
  },
  {
    rule: 'hangers/in-the-way',
    of: /hangers\/fitted hangers/,
    why: 'in a box 12 in high the upper one of two shelves stands where hangers go',
  },
];

export const KNOWN_WARNINGS: readonly Known[] = [
  { rule: 'shelves/sags', why: 'shelves of 18 over a metre wide do sag; the size was asked for, remedies are offered' },
  {
    rule: 'hinges/gap-too-small',
    of: /making\/kind trim/,
    why: 'trim makes a door 24 thick, which cannot turn in a reveal made for 18',
  },
  {
    rule: 'fronts/mitre-without-tenon',
    of: /making\/kind mitred/,
    why: 'the narrow rails of low fronts have no room for the loose tenon of the standard',
  },
  {
    rule: 'hinges/against-shelf',
    of: /making\/kind mitred|top\/kind uprightFront|hangers\/fitted hangers/,
    why: 'in the lowest wall cabinets two shelves and the mitres leave a hinge nowhere to go',
  },
  {
    rule: 'drawers/overloaded',
    of: /drawers\/family corner|tall pull-out/,
    why: 'roller runners carry 25 kg; wide deep drawers of kitchen things hold more, and a wide larder more than the lighter of its runners',
  },
  {
    rule: 'sheets/narrow-rip',
    of: /drawers\/family wooden|frame\/fitted fitted/,
    why: 'guides of wooden runners behind a frame are as wide as the frame laps; the caution belongs to the saw',
  },
  {
    rule: 'interiors/no-floor',
    of: /dividers\/atOpenBay (stretcher|none)/,
    why: 'a stretcher, or nothing, under an open bay was asked for',
  },
  {
    rule: 'drawers/bracket-in-thin-back',
    of: /drawers\/behindFrame brackets/,
    why: 'rear brackets want more than a 6 mm back',
  },
  {
    rule: 'shelves/no-hole',
    of: /top\/kind uprightFront/,
    why: 'in a box 12 in high under an upright rail there is no second hole',
  },
  {
    rule: 'machining/hole-near-edge',
    of: /top\/kind uprightFront/,
    why: 'the drawer behind an upright rail is too low for its pull',
  },
];

/** Those of some findings no line speaks of, and the lines that speak of none. */
export function compare<T extends { readonly rule: string; readonly name: string }>(
  found: readonly T[],
  known: readonly Known[],
): { readonly unknown: readonly T[]; readonly idle: readonly Known[] } {
  const speaks = ({ rule, of }: Known, each: T) => rule === each.rule && (of === undefined || of.test(each.name));
  return {
    unknown: found.filter((each) => !known.some((line) => speaks(line, each))),
    idle: known.filter((line) => !found.some((each) => speaks(line, each))),
  };
}
