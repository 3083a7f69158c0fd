import { chromium } from '@playwright/test';
// node shot.mjs url out w h [actions js]
const [,, url, out, w='1280', h='800', act='', full=''] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args:['--no-sandbox','--disable-gpu'] });
const c = await b.newContext({ viewport:{width:+w,height:+h}, hasTouch: +w<800 });
const p = await c.newPage();
p.on('pageerror', e => console.log('PAGEERROR', e.message));
p.on('console', m => { if (m.type()==='error') console.log('CONSOLE', m.text().slice(0,300)); });
await p.goto(url); await p.waitForTimeout(1500);
if (act) await (new Function('p', 'return (async()=>{'+act+'})()'))(p);
await p.waitForTimeout(500);
await p.screenshot({ path: out, fullPage: full==='full' });
await b.close();
