import { solveWith } from '../tests/support/cabinets.js';
for (const fit of ['overlay','inset','lipped'] as const) { const s=solveWith({ settings: { fronts: { fit }, ends: { right: 'wall', filler: 'strip', scribe: 40 }, toe: { kind: 'plinth' } } });
console.log(fit, s.parts.filter(p=>/filler/.test(p.key)).map(p=>[p.key,...p.extent.min]), s.fronts.map(f=>f.extent.min[1]), s.box.mountingPlane.mm, s.box.frontThickness.mm); }
