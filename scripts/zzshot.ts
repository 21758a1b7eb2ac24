import { writeFileSync } from 'node:fs';
import { openBrowser, untilAlive, find, named } from '../tests/support/browser.js';
import { startServer } from '../tests/support/server.js';
const server = await startServer({ seed: true }); const b = await openBrowser(); const { driver } = b;
try { const { jobs } = await (await fetch(`${server.url}/api/jobs`)).json() as any; const room=jobs.find((j:any)=>j.name.includes('reading room')).id;
await driver.get(`${server.url}/jobs/${room}?cabinet=${process.argv[2]??'c8'}`); await untilAlive(driver);
await driver.executeScript(`document.querySelector('aside').scrollTop=99999`); await new Promise(r=>setTimeout(r,500));
writeFileSync('/tmp/s1.png', await driver.takeScreenshot(),'base64');
for (const id of ['dust','cutters-in-panels','small-pieces']) { await (await find(driver,`[data-caution="${id}"] button`)).click(); await new Promise(r=>setTimeout(r,400)); }
await driver.executeScript(`document.querySelector('aside').scrollTop=0`); await new Promise(r=>setTimeout(r,300));
writeFileSync('/tmp/s2.png', await driver.takeScreenshot(),'base64');
await (await named(driver, 'Select '+(process.argv[3]??'8.A'))).click(); await (await named(driver, 'Panel')).click(); await new Promise(r=>setTimeout(r,500));
writeFileSync('/tmp/s3.png', await driver.takeScreenshot(),'base64');
} finally { await b.close(); await server.close(); }
