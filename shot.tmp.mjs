import { chromium } from '@playwright/test';
const [,, base, ...specs] = process.argv; // path|out|w|h|look|js|full
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args:['--no-sandbox','--disable-gpu'] });
for (const s of specs) {
  const [path, out, w, h, look, js, full] = s.split('|');
  const c = await b.newContext({ viewport:{width:+w,height:+h}, hasTouch: +w<800, baseURL: base });
  if (look) await c.addCookies([{ name:'crook-look', value: look, url: base }]);
  const p = await c.newPage();
  p.on('pageerror', e => console.log(path, 'PAGEERROR', e.message));
  p.on('console', m => { if (m.type()==='error') console.log(path, 'CONSOLE', m.text().slice(0,300)); });
  await p.goto(path); await p.waitForTimeout(2000);
  if (js) await (new Function('p', 'return (async()=>{'+js+'})()'))(p);
  await p.waitForTimeout(500);
  await p.screenshot({ path: out, fullPage: full==='full' });
  await c.close();
}
await b.close();
