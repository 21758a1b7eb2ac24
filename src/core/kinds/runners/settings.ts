import { choice, count, length, name, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const SINCE = 9;
/** Since when rooms behind fronts may hold them. */
const INNER = 11;
/** Since when corners may be dovetailed. */
const CORNERS = 12;
const BOXES = { 'drawers/fitted': 'boxes' } as const;
const WOODEN = { ...BOXES, 'drawers/family': 'wooden' } as const;
const BOUGHT = { ...BOXES, 'drawers/family': ['side', 'corner', 'under', 'tall'] } as const;

export const runnerSettings = section('Drawers', {
  drawers: {
    fitted: choice(
      'behind drawer fronts',
      { boxes: 'a box on runners', none: 'nothing yet' },
      { metric: 'boxes', since: SINCE, before: 'none' },
    ),
    family: choice(
      'runners',
      {
        side: 'side mounted, ball bearing',
        corner: 'bottom corner, rollers',
        under: 'hidden under the box',
        tall: 'tall pull-out, two beside and one under',
        wooden: 'wood on wood, in the casework',
      },
      {
        metric: 'side',
        since: SINCE,
        when: BOXES,
        trade:
          'Side-mounted ones carry most and forgive most. Hidden ones want an exact width, thin sides and a notched back. Wood on wood wants a web frame or shelf under every drawer.',
      },
    ),
    closing: choice(
      'closing',
      { any: 'as the runner has it', plain: 'plain', soft: 'damped', push: 'push to open' },
      { metric: 'any', since: SINCE, when: BOUGHT },
    ),
    choice: name('runner decided', {
      from: 'runners',
      metric: 'none',
      since: SINCE,
      when: BOUGHT,
      trade: 'None leaves it to the rules: the first in stock that fits, carries the load and is longest.',
    }),
    length: length('runner length decided, 0 for the longest that fits', {
      max: 1500,
      metric: 0,
      since: SINCE,
      when: BOUGHT,
    }),
    contents: choice(
      'drawers are filled with',
      { light: 'clothes and linen', kitchen: 'kitchen things', paper: 'paper, tools, tins' },
      { metric: 'kitchen', since: SINCE, when: BOXES },
    ),
    corner: choice(
      'box corners',
      {
        butt: 'butt, screwed through the sides',
        dowels: 'butt, dowelled and glued',
        lapped: 'front and back over the sides, screwed',
        rabbet: 'rabbets in the sides, glued',
        halfblind: 'half-blind dovetails in front, through at the back',
        through: 'through dovetails',
      },
      {
        metric: 'butt',
        since: SINCE,
        when: BOXES,
        trade:
          'Screws are quick and come apart again. Rabbets hide the ends, square the box and want glue. Dovetails hold without either, and want an hour a box.',
      },
    ),
    lap: length('half-blind dovetails: left before them, 0 for a quarter of the front', {
      max: 15,
      metric: 0,
      since: CORNERS,
      when: { ...BOXES, 'drawers/corner': 'halfblind' },
    }),
    tail: length('dovetails: width of a tail at its shoulder, about', {
      min: 10,
      max: 120,
      metric: 30,
      inch: inches(1.25),
      since: CORNERS,
      when: { ...BOXES, 'drawers/corner': ['halfblind', 'through'] },
    }),
    pin: length('dovetails: between two tails at their shoulders', {
      min: 6,
      max: 60,
      metric: 14,
      inch: inches(9 / 16),
      since: CORNERS,
      when: { ...BOXES, 'drawers/corner': ['halfblind', 'through'] },
    }),
    slope: count('dovetails: slope, one in', {
      min: 4,
      max: 12,
      metric: 7,
      since: CORNERS,
      when: { ...BOXES, 'drawers/corner': ['halfblind', 'through'] },
    }),
    engagement: length('front and back into the sides', {
      min: 2,
      max: 20,
      metric: 6,
      inch: inches(1 / 4),
      since: SINCE,
      when: { ...BOXES, 'drawers/corner': 'rabbet' },
    }),
    bottom: choice(
      'box bottom',
      { groove: 'in grooves all round', slid: 'slid in under a short back', applied: 'applied from below' },
      { metric: 'groove', since: SINCE, when: BOXES },
    ),
    groove: length('groove of the bottom, depth', {
      min: 2,
      max: 15,
      metric: 6,
      inch: inches(1 / 4),
      since: SINCE,
      when: { ...BOXES, 'drawers/bottom': ['groove', 'slid'] },
    }),
    bottomPlay: length('play of the bottom in its grooves, in all', {
      max: 6,
      metric: 1,
      inch: inches(1 / 32),
      since: SINCE,
      when: { ...BOXES, 'drawers/bottom': ['groove', 'slid'] },
    }),
    recess: length('bottom above the lower edge of the sides', {
      min: 4,
      max: 40,
      metric: 10,
      inch: inches(7 / 16),
      since: SINCE,
      when: { 'drawers/fitted': 'boxes', 'drawers/bottom': ['groove', 'slid'] },
    }),
    wideOver: length('bottoms are wide over', {
      min: 200,
      max: 2000,
      metric: 600,
      inch: inches(24),
      since: SINCE,
      when: BOXES,
      trade:
        'Wide bottoms are of thicker stock; over hidden runners, which want them thin, they are stiffened from below.',
    }),
    mostHeight: length('boxes at most so high', {
      min: 40,
      max: 2000,
      metric: 300,
      inch: inches(12),
      since: SINCE,
      when: BOXES,
    }),
    heightStep: length('box heights in whole steps of, 0 for as high as fits', {
      max: 100,
      metric: 0,
      since: SINCE,
      when: BOXES,
    }),
    screw: length('box screw length', { min: 15, max: 80, metric: 40, inch: inches(1.5), since: SINCE, when: BOXES }),
    behindFrame: choice(
      'runners behind a frame',
      { packing: 'on packing, front and rear', brackets: 'on rear brackets, where the runner has them' },
      {
        metric: 'packing',
        since: CORNERS,
        when: { ...BOUGHT, 'frame/fitted': 'fitted' },
        trade:
          'Packing carries along the whole runner. Brackets save it, want a back that holds screws, and are set by eye.',
      },
    ),
    round: choice(
      'a pipe or trap behind a drawer',
      { short: 'the drawer ends before it', u: 'the drawer goes round it, U-shaped' },
      { metric: 'short', since: CORNERS, when: BOXES },
    ),
    roundBy: length('U-shaped drawers: clear of what they go round', {
      max: 60,
      metric: 10,
      inch: inches(3 / 8),
      since: CORNERS,
      when: { ...BOXES, 'drawers/round': 'u' },
    }),
    sidePlay: length('wooden runners: play each side', {
      max: 5,
      metric: 0.75,
      inch: inches(1 / 32),
      since: SINCE,
      when: WOODEN,
    }),
    topPlay: length('wooden runners: play above', {
      max: 15,
      metric: 2,
      inch: inches(3 / 32),
      since: SINCE,
      when: WOODEN,
    }),
    rearStop: length('wooden runners: box stops short of the back', {
      max: 60,
      metric: 5,
      inch: inches(1 / 4),
      since: SINCE,
      when: WOODEN,
    }),
    doorClearance: length('inner drawers and trays: behind the doors', {
      max: 100,
      metric: 5,
      inch: inches(3 / 16),
      since: INNER,
    }),
    margin: length('inner drawers and trays: clear of door and hinge by', {
      max: 20,
      metric: 2,
      inch: inches(1 / 16),
      since: INNER,
    }),
    measuredLeft: length('what stands out at the left, measured, 0 to leave it to the hinges', {
      max: 150,
      metric: 0,
      since: INNER,
    }),
    measuredRight: length('what stands out at the right, measured, 0 to leave it to the hinges', {
      max: 150,
      metric: 0,
      since: INNER,
    }),
    handRoom: length('inner drawers: room for a hand above', {
      max: 150,
      metric: 30,
      inch: inches(1.25),
      since: INNER,
    }),
    traySide: length('trays: height of the sides, 0 for 60 and a tenth of the width', {
      max: 400,
      metric: 0,
      since: INNER,
    }),
    trayContents: length('trays: what stands on them is so high, 0 where nobody has said', {
      max: 1000,
      metric: 0,
      since: INNER,
    }),
  },
});

export type RunnerSettings = (typeof runnerSettings)['settings'];
/** A cabinet's settings with these among them. */
export type RunnerResolved = ResolvedWith<ValuesOf<RunnerSettings>>;
