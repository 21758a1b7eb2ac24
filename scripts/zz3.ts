import { solveWith } from '../tests/support/cabinets.js';
const share = { rule: 'share' as const, weight: 1 };
const s=solveWith({width:900, parts:[{ id: 'o1', size: share, fill: { kind: 'drawer' } },{ id: 'o2', size: share, fill: { kind: 'columns', graduation: { kind: 'arithmetic', step: 10 }, parts: [{ id: 'o3', size: share, fill: { kind: 'door', hinged: 'left', shelves: 0 } },{ id: 'o4', size: share, fill: { kind: 'door', hinged: 'right', shelves: 0 } }]}}], settings:{school:'faceFrame',frame:{tenon:25}}});
for(const p of s.parts.filter(p=>p.role==='frame')) console.log(p.key,p.extent.min,p.extent.max,p.machining.map(m=>m.kind).join());
