import { solveWith } from '../tests/support/cabinets.js';
const share = { rule: 'share' as const, weight: 1 };
for (const sh of [0,1]) { const s=solveWith({width:900, measured:{birch18:18}, face:{kind:'columns',graduation:{kind:'arithmetic',step:10},parts:[{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'right', shelves: sh } },{ id: 'o2', size: share, fill: { kind: 'door', hinged: 'left', shelves: sh } }]}});
console.log(sh, s.grid?.step.mm, s.fitted.hinges.map(d=>d.places.map(p=>[p.onCase.mm,p.moved].join('/')).join(' ')), s.parts.filter(p=>p.role==='shelf').map(p=>p.extent.min[2])); }
