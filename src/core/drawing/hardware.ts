import type { HungDoor } from '../hinges/index.js';
import type { PlacedPull } from '../pulls/index.js';
import type { DrawingItem, HardwareItem } from './drawing.js';

/** The key under which a hinge is selected: both its marks, on the door and on the case, carry it. */
export function hingeKey(frontKey: string, at: number): string {
  return `hinge/${frontKey}/${at + 1}`;
}

/** The front and number a hinge key stands for; undefined for the keys of parts. */
export function hingeOfKey(key: string | null): { frontKey: string; at: number } | undefined {
  const found = /^hinge\/(.+)\/(\d+)$/.exec(key ?? '');
  return found ? { frontKey: found[1] as string, at: Number(found[2]) - 1 } : undefined;
}

/** A hinge seen through its door: its mark on the door and its mark on the case, or the leaves of a butt. */
export function hingeSymbols({ front, hinged, chosen, places, plane }: HungDoor): DrawingItem[] {
  if (!chosen) return [];
  const inward = hinged === 'left' ? 1 : -1;
  const edge = hinged === 'left' ? front.extent.min[0] : front.extent.max[0];
  return places.flatMap((place, at): DrawingItem[] => {
    const v = front.v.low.mm + place.onDoor.mm;
    const symbol = (kind: HardwareItem['symbol'], middle: number, width: number, height: number, z: number) =>
      ({
        kind: 'hardware',
        symbol: kind,
        from: { h: middle - width / 2, v: z - height / 2 },
        to: { h: middle + width / 2, v: z + height / 2 },
        hidden: kind !== 'leaf',
        shows: hingeKey(front.key, at),
      }) as const;
    if (chosen.kind === 'leaf') {
      const { length, knuckle } = chosen.profile.leaf;
      return [symbol('leaf', (edge + plane) / 2, knuckle, length, v)];
    }
    const { cup, plate } = chosen.profile;
    const centre = edge + inward * (front.lap + chosen.offset + cup.diameter / 2);
    const onCase = plane + inward * PLATE_DRAWN;
    return [
      symbol('cup', centre, cup.diameter, cup.diameter, v),
      symbol('plate', onCase, PLATE_DRAWN * 2, plate.apart + PLATE_ENDS, place.onCase.mm),
    ];
  });
}

/** A plate is drawn this far to each side of its middle, and this much longer than its holes are apart (mm). */
const PLATE_DRAWN = 5;
const PLATE_ENDS = 14;

/** A pull or knob on its front. */
export function pullSymbols({ frontKey, profile, extent: { min, max } }: PlacedPull): DrawingItem {
  return {
    kind: 'hardware',
    symbol: profile.centres === 0 ? 'knob' : 'pull',
    from: { h: min[0], v: min[2] },
    to: { h: max[0], v: max[2] },
    hidden: false,
    shows: frontKey,
  };
}
