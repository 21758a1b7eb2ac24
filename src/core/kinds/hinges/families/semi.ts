import { fromSheet } from '../../profile.js';
import { doorEdge, onCarrier } from '../marks.js';
import { leafSchema } from '../profile.js';
import { pilotHoles, pilotsAt, withLeaves } from '../shapes/leaves.js';

/** For lipped doors: screwed to the back of the door inside its rebate and to the face of the frame beside the lip. */
export const semi = withLeaves({
  id: 'semi',
  words: 'a semi-concealed hinge',
  option: 'semi-concealed',
  schema: leafSchema('semi'),
  solve: (profile) => [{ kind: 'leaf', profile, mortise: 0, residual: 0, exact: true }],
  misses: 'does not suit this door',
  // Its knuckle lies beside the lip.
  pivot({ profile }, { hand, hingeEdge, face }) {
    const { knuckle } = profile.leaf;
    return { x: hingeEdge - (hand * knuckle) / 2, y: face + knuckle / 2 };
  },
  bore({ profile }, places, context) {
    const { door, hinged, carrier, settings } = context;
    const { lip, rebateWidth } = settings.fronts;
    const half = fromSheet(profile, 'leaf/width', 'leaf width').over(2).as('middle of the leaf');
    const pilot = pilotHoles(profile, context);
    const onDoor = pilotsAt(
      profile,
      places.map((place) => place.onDoor),
    );
    return new Map([
      [
        door.key,
        [
          {
            kind: 'holes' as const,
            face: 2 as const,
            from: doorEdge(door, hinged),
            offset: rebateWidth.plus(half).as('screws from the edge of the door'),
            positions: onDoor,
            ...pilot,
          },
        ],
      ],
      [
        carrier.key,
        [
          {
            kind: 'holes' as const,
            face: 1 as const,
            from: hinged === 'left' ? ('v1' as const) : ('v0' as const),
            offset: lip.plus(half).as('screws from the edge of the opening'),
            positions: pilotsAt(profile, onCarrier(places, carrier)),
            ...pilot,
          },
        ],
      ],
    ]);
  },
  corner: () => [],
});
