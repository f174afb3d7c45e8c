/**
 * How fast a list of 1,000 kept attempts opens and scrolls, in the production build. Run with
 * `npm run bench:editor`; prints, and fails only when nothing happens.
 */
import { expect, test } from '@playwright/test';
import { percentiles } from './percentiles';

const count = 1000;

/** Pinned copies of the newest attempt on this device, a minute apart. */
async function copyAttempts(copies: number): Promise<void> {
	const done = <T>(request: IDBRequest<T>) =>
		new Promise<T>((resolve, fail) => {
			request.onsuccess = () => resolve(request.result);
			request.onerror = () => fail(request.error!);
		});
	const database = await done(indexedDB.open('lantern-step-attempts'));
	const all = database.transaction(['rows', 'recordings'], 'readwrite');
	const [rows, recordings] = [all.objectStore('rows'), all.objectStore('recordings')];
	const row = (await done(rows.getAll())).at(-1) as { id: string; at: number };
	const recording = await done(recordings.get(row.id));
	for (let copy = 0; copy < copies; copy++) {
		const id = crypto.randomUUID();
		const sent = { change: 0, isWhole: false };
		rows.put({ ...row, id, at: row.at - copy * 60_000, isPinned: true, change: 0, sent });
		recordings.put(recording, id);
	}
	await new Promise((end) => (all.oncomplete = end));
	database.close();
}

test('a list of 1,000 attempts', async ({ page }) => {
	await page.goto('/plans/net-loft-zigzag');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	const leaf = page.getByRole('button', { name: 'Attempts', exact: true });
	await leaf.click();
	await expect(page.locator('[data-attempt]')).toHaveCount(1);
	await page.evaluate(copyAttempts, count - 1);
	await page.reload();
	await leaf.click();
	await expect(page.locator('[data-attempt]').first()).toBeVisible();
	const frames = await page.evaluate(async () => {
		const scroller = document.querySelector('.leaf')!;
		const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
		const found: number[] = [];
		let last = await frame();
		for (let i = 0; i < 240; i++) {
			scroller.scrollTop += 60;
			const now = await frame();
			found.push(now - last);
			last = now;
		}
		return found;
	});
	console.log(`1,000 attempts scrolled, frame to frame: ${percentiles(frames)}`);
	expect(await page.locator('.leaf').evaluate((leaf) => leaf.scrollTop)).toBeGreaterThan(10_000);
});
