import { name, section } from './declare.js';

/** What a material is chosen for, as it reads in a list. */
export const MATERIAL_ROLES = {
  side: 'sides',
  bottom: 'bottom',
  top: 'top',
  partition: 'partitions',
  shelf: 'shelves',
  back: 'back',
  nailer: 'nailers',
  toe: 'toe',
  frame: 'frame',
  web: 'web frames',
  end: 'end panels',
  front: 'fronts',
  doorFrame: 'door frames',
  doorPanel: 'door panels',
  drawerBox: 'drawer boxes',
  drawerBottom: 'drawer bottoms',
  drawerBottomWide: 'wide drawer bottoms',
  cells: 'bottle cells',
} as const;

const made = (role: keyof typeof MATERIAL_ROLES, metric: string, inch: string, since = 1) =>
  name(`material of the ${MATERIAL_ROLES[role]}`, { metric, inch, since });

/** Which material each role is made of, by material id. */
export const roles = section(
  'What parts are made of',
  {
    materials: {
      side: made('side', 'birch18', 'ply34'),
      bottom: made('bottom', 'birch18', 'ply34'),
      top: made('top', 'birch18', 'ply34'),
      partition: made('partition', 'birch18', 'ply34'),
      shelf: made('shelf', 'birch18', 'ply34'),
      back: made('back', 'birch6', 'ply14'),
      nailer: made('nailer', 'birch18', 'ply34'),
      toe: made('toe', 'birch18', 'ply34'),
      frame: made('frame', 'oak20', 'oak34'),
      web: made('web', 'oak20', 'oak34'),
      end: made('end', 'front18', 'front34'),
      front: made('front', 'front18', 'front34'),
      doorFrame: made('doorFrame', 'oak20', 'oak34'),
      doorPanel: made('doorPanel', 'birch6', 'ply14'),
      drawerBox: made('drawerBox', 'birch12', 'ply12', 9),
      drawerBottom: made('drawerBottom', 'birch6', 'ply14', 9),
      drawerBottomWide: made('drawerBottomWide', 'birch12', 'ply12', 9),
      cells: made('cells', 'birch12', 'ply12', 12),
    },
  },
  { elsewhere: true },
);
