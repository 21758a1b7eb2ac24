import { buildable } from '../tests/generator/buildable.js';
import { solveWith } from '../tests/support/cabinets.js';
const N=Number(process.argv[2]); const pairs=new Map(); let alone=0, stops=0; const rules=new Map();
const t=performance.now();
for(let s=0;s<N;s++){ const r=solveWith(buildable(s).decisions); const st=r.findings.filter(f=>f.severity==='stop');
 if(st.length)stops++; for(const x of new Set(st.map(f=>f.rule))) rules.set(x,(rules.get(x)??0)+1);
 if(st.length && st.every(f=>f.rule==='carcass/two-in-one-place'||f.rule==='carcass/screw-in-air')){alone++; for(const f of st){const k=f.rule+' '+f.what.replace(/[\d.]+/g,'#'); const e=pairs.get(k)??[0,s]; e[0]++; pairs.set(k,e);}}}
console.log(N,'stops',stops,'general alone',alone,((performance.now()-t)/N).toFixed(2)+' ms each'); console.log([...rules].sort((a,b)=>b[1]-a[1]).map(x=>x.join(' ')).join('\n'));
console.log([...pairs].sort((a,b)=>b[1][0]-a[1][0]).slice(0,45).map(([k,v])=>v.join(' @')+' '+k).join('\n'));
