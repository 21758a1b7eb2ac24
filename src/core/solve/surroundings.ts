import { type Design, ownPathTo, type Settled, type Standards, type ZoneField } from '../decisions/index.js';
import { type Beside, type Facts, NO_FACTS, type Surroundings, type Zone } from '../given/index.js';
import { setting } from '../ground/index.js';
import type { ResolvedCabinet } from './registry.js';

/** What stands around a cabinet as its own decisions say it: its ends, what was measured beside them, keep-out boxes. */
export function surroundingsOf(cabinet: Design, { settings: { ends } }: Pick<Settled, 'settings'>): Surroundings {
  const beside = (end: 'left' | 'right'): Beside => ({
    what: ends[end].value,
    clear: ends[`${end}Clear`],
    high: ends[`${end}High`],
    forward: ends[`${end}Forward`],
  });
  return { left: beside('left'), right: beside('right'), zones: zonesOf(cabinet) };
}

/** All that a cabinet is figured from: what is decided of it, and what it is given. */
export function resolvedFor(
  standards: Standards,
  cabinet: Design,
  surroundings?: Surroundings,
  facts: Facts = NO_FACTS,
): ResolvedCabinet {
  const settled = standards.resolved(cabinet);
  // Its own fields first: a copy that grows is dear (0017).
  const given = { facts, ...(surroundings ?? surroundingsOf(cabinet, settled)) };
  return { given, ...settled } as ResolvedCabinet;
}

/** The keep-out boxes of a cabinet in its coordinates. */
function zonesOf({ zones = [] }: Design): Zone[] {
  return zones.map(({ id, name, left, up, behind, width, height, depth }) => {
    const path = (field: ZoneField) => ownPathTo.zoneField(id, field);
    const leftOf = setting(`left of ${name}`, left, { kind: 'here', path: path('left') });
    return {
      id,
      name,
      left: leftOf,
      right: leftOf
        .plus(setting(`width of ${name}`, width, { kind: 'here', path: path('width') }))
        .as(`right of ${name}`),
      front: setting(`front of ${name}`, behind, { kind: 'here', path: path('behind') }),
      extent: { min: [left, behind, up], max: [left + width, behind + depth, up + height] },
    };
  });
}
