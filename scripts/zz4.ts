import { SCHOOLS, TWO_COLUMNS } from '../tests/support/columns.js';
import { solveWith } from '../tests/support/cabinets.js';
for(const [n,d] of Object.entries(TWO_COLUMNS)) for(const [sn,s] of Object.entries(SCHOOLS)){ const r=solveWith({...d,settings:s}); const st=r.findings.filter(f=>f.severity!=='note');
 if(st.length) { console.log('##',n,'|',sn); for(const f of st.slice(0,8)) console.log('  ',f.severity,f.rule,f.what.slice(0,190),f.at?`at ${f.at.u.toFixed(1)},${f.at.v.toFixed(1)}`:''); if(st.length>8)console.log('   +',st.length-8);} }
