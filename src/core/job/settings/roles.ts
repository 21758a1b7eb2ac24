import { name, section } from '../declare.js';

/** Which material each role is made of, by material id. */
export const roles = section(null, {
  materials: {
    side: name('side material', { metric: 'birch18', inch: 'ply34' }),
    bottom: name('bottom material', { metric: 'birch18', inch: 'ply34' }),
    top: name('top material', { metric: 'birch18', inch: 'ply34' }),
    partition: name('partition material', { metric: 'birch18', inch: 'ply34' }),
    shelf: name('shelf material', { metric: 'birch18', inch: 'ply34' }),
    back: name('back material', { metric: 'birch6', inch: 'ply14' }),
    nailer: name('nailer material', { metric: 'birch18', inch: 'ply34' }),
    toe: name('toe material', { metric: 'birch18', inch: 'ply34' }),
    frame: name('frame material', { metric: 'oak20', inch: 'oak34' }),
    web: name('web frame material', { metric: 'oak20', inch: 'oak34' }),
    end: name('end panel material', { metric: 'front18', inch: 'front34' }),
    front: name('front material', { metric: 'front18', inch: 'front34' }),
    doorFrame: name('front frame material', { metric: 'oak20', inch: 'oak34' }),
    doorPanel: name('front panel material', { metric: 'birch6', inch: 'ply14' }),
  },
});
