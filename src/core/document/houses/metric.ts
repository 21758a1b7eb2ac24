import type { House } from '../document.js';
import { startingSettings } from '../settings.js';

/** Starting standards in millimetres. A shop makes them its own. */
export const metricHouse: House = {
  name: 'Metric house standards',
  all: startingSettings('metric'),
  base: { toe: { kind: 'plinth' }, top: { kind: 'stretchers' }, fronts: { reveal: { top: 3, bottom: 0 } } },
  wall: {},
  tall: { toe: { kind: 'plinth' } },
  schools: {
    frameless: {},
    faceFrame: {
      frame: { fitted: 'fitted' },
      joints: { bottom: 'dado', top: 'dado', shelf: 'dado' },
      back: { kind: 'applied' },
      fronts: { lay: 'openings' },
      banding: { caseEdges: 'none' },
      dividers: { betweenFronts: 'none' },
    },
    traditional: {
      joints: { bottom: 'dado', top: 'dado', shelf: 'dado', partition: 'dado' },
      back: { kind: 'rabbeted', rabbetDepth: 10 },
      top: { kind: 'web' },
      toe: { kind: 'standing' },
      fronts: { lay: 'openings', reveal: { top: 3, bottom: 3 } },
      dividers: { betweenFronts: 'web', atOpenBay: 'shelf' },
      banding: { frontEdges: 'none', caseEdges: 'none' },
      materials: { side: 'oak20', front: 'oak20' },
      nailer: { rails: 'none' },
    },
  },
  starts: {
    base: { width: 800, height: 870, depth: 580 },
    wall: { width: 800, height: 720, depth: 350 },
    tall: { width: 600, height: 2100, depth: 580 },
  },
};
