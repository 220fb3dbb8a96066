import { chromium } from '@playwright/test';
const base = 'http://127.0.0.1:4700';
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => {
  if (m.type() === 'error') console.log('CONSOLE', m.text().slice(0, 300));
});
await page.addInitScript(() => localStorage.setItem('saltflat.person', 'Ines'));
const ask = async (p) => (await page.request.get(base + '/api/v1' + p)).json();
export const orderOf = async (s) =>
  ask(`/orders/${(await ask(`/orders?search=${s}&state=open`)).items[0].id}`);
const script = process.argv[2];
const fn = new (Object.getPrototypeOf(async function () {}).constructor)(
  'page',
  'base',
  'ask',
  'orderOf',
  script,
);
try {
  await fn(page, base, ask, orderOf);
} catch (e) {
  console.log('ERR', e.message.slice(0, 600));
  await page.screenshot({ path: '/tmp/err.png' });
}
await browser.close();
