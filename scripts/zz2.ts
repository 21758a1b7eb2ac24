import { buildable } from '../tests/generator/buildable.js';
import { solveWith } from '../tests/support/cabinets.js';
const N=Number(process.argv[2]), rule=process.argv[3]!; const m=new Map<string,[number,number]>();
for(let s=0;s<N;s++){ const r=solveWith(buildable(s).decisions); for(const k of new Set(r.findings.filter(f=>f.severity===(process.argv[4]??'stop')&&f.rule===rule).map(f=>f.what.replace(/[\d.]+/g,'#').replace(/left|right/g,'~')))){const e=m.get(k)??[0,s];e[0]++;m.set(k,e);} }
console.log([...m].sort((a,b)=>b[1][0]-a[1][0]).slice(0,Number(process.argv[5]??25)).map(([k,v])=>v.join(' @')+' '+k).join('\n'));
