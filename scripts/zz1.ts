import { buildable } from '../tests/generator/buildable.js';
import { solveWith } from '../tests/support/cabinets.js';
for (const a of process.argv.slice(2)) { const b=buildable(Number(a)); const r=solveWith(b.decisions);
 const f=r.findings.filter(f=>f.severity==='stop');
 console.log('==',a,b.limit.key,b.limit.at, JSON.stringify((b.decisions.settings as any)), r.box.width.mm, r.box.sideDepth.mm, r.box.height.mm);
 for(const x of f.slice(0,3)) {console.log(x.rule,x.what); for(const k of x.parts.slice(0,2)){const p=r.parts.find(p=>p.key===k)!; if(p)console.log('   ',k,p.extent.min.map(v=>+v.toFixed(2)).join(' '),'|',p.extent.max.map(v=>+v.toFixed(2)).join(' '))}}
}
