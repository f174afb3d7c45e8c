import { chromium } from 'playwright-core';
import { findChromium } from './scripts/browser.mjs';
const browser = await chromium.launch({ executablePath: await findChromium(), args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto('http://localhost:4321/');
console.log(await page.title());
await page.getByRole('link').filter({ hasText: /reed|Reed/ }).first().click();
await page.waitForURL(/plan/);
await page.getByRole('button', { name: 'Attempts', exact: true }).click();
await page.getByTestId('attempt-file').setInputFiles('/tmp/long-attempt.json');
const leaf = page.getByRole('region', { name: 'Attempts' });
await leaf.getByRole('status').filter({ hasText: 'is kept here' }).waitFor({ timeout: 60000 });
console.log(await leaf.getByRole('status').textContent());
await leaf.getByRole('listitem').first().getByRole('button').first().click();
await page.waitForTimeout(3000);
for (let k = 0; k < 4; k++) {
const t = await page.evaluate(async () => {
	const b = [...document.querySelectorAll('button')].find((x) => x.textContent.trim() === 'Over time' || x.getAttribute('aria-label') === 'Over time');
	const t0 = performance.now();
	b.click();
	await new Promise((r) => { const f = () => document.querySelector('section canvas, [role=region] canvas') ? requestAnimationFrame(() => requestAnimationFrame(r)) : requestAnimationFrame(f); f(); });
	return performance.now() - t0;
});
console.log('chart opens in', t.toFixed(0), 'ms');
if (k === 0) {
	const l = page.getByRole('region', { name: 'Over time' });
	await l.getByText('Choose figures').click(); const boxes = l.getByRole('checkbox');
	console.log('figures', await boxes.count());
	for (let i = 0; i < await boxes.count(); i++) { if ((await l.getByRole('checkbox', { checked: true }).count()) >= 8) break; if (!(await boxes.nth(i).isChecked()) && await boxes.nth(i).isEnabled()) await boxes.nth(i).check(); }
	console.log('chosen', await l.getByRole('checkbox', { checked: true }).count());
}
if (k < 3) { await page.getByRole('button', { name: 'Fold the chart away' }).click(); await page.waitForTimeout(500); }
}
const leaf2 = page.getByRole('region', { name: 'Over time' });
const canvas = leaf2.locator('canvas').first();
const box = await canvas.boundingBox();
await page.mouse.move(box.x + 80, box.y + box.height / 2); await page.mouse.down();
await page.evaluate(() => { window.__f = []; let last = performance.now(); const f = (t) => { window.__f.push(t - last); last = t; window.__r = requestAnimationFrame(f); }; requestAnimationFrame(f); });
for (let i = 0; i < 120; i++) { await page.mouse.move(box.x + 80 + (box.width - 120) * i / 120, box.y + box.height / 2); await page.waitForTimeout(12); }
await page.mouse.up();
const f = (await page.evaluate(() => { cancelAnimationFrame(window.__r); return window.__f; })).slice(2).sort((a, b) => a - b);
console.log('scrub median', f[f.length >> 1].toFixed(1), 'p95', f[Math.floor(f.length * 0.95)].toFixed(1), f.length);
await page.screenshot({ path: '/tmp/chart15.png' });
await browser.close();
