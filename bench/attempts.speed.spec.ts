/**
 * How fast a list of 1,000 kept attempts scrolls and opens them, and ten ways of a minute play and zoom
 * over each other, in the production build. Run with `npm run bench:editor`; prints, and fails only when
 * nothing happens.
 */
import { expect, test, type Page } from '@playwright/test';
import { go, repeat, right } from '../src/core/testing/sample';
import { openPlan } from '../tests/helpers';
import { percentiles } from './percentiles';

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
	for (let copy = 1; copy <= copies; copy++) {
		const id = crypto.randomUUID();
		const sent = { change: 0, isWhole: false };
		rows.put({ ...row, id, at: row.at - copy * 60_000, isPinned: true, change: 0, sent });
		recordings.put(recording, id);
	}
	await new Promise((end) => (all.oncomplete = end));
	database.close();
}

/** The list of so many attempts of a minute each, one of them on the floor. */
async function openList(page: Page, count: number): Promise<void> {
	await openPlan(page, [repeat(8, [repeat(4, [go(0.3), right(90)])])]);
	await page.getByRole('button', { name: 'Rehearse' }).click();
	const leaf = page.getByRole('button', { name: 'Attempts', exact: true });
	await leaf.click();
	await expect(page.locator('[data-attempt]')).toHaveCount(1);
	await page.evaluate(copyAttempts, count - 1);
	await page.reload();
	await leaf.click();
	await expect(page.locator('[data-attempt]')).toHaveCount(count);
	await page.locator('[data-attempt]').first().click();
	await expect(page.locator('[data-attempt]').first()).toHaveAttribute('aria-current', 'true');
}

/** Milliseconds between frames in which something is done. */
const framesOf = (page: Page, what: 'scroll' | 'zoom' | 'play', frames: number) =>
	page.evaluate(
		async ([what, frames]) => {
			const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
			const leaf = document.querySelector('.leaf')!;
			const floor = document.querySelector('.sheet > svg')!;
			const box = floor.getBoundingClientRect();
			const found: number[] = [];
			let last = await frame();
			for (let i = 0; i < frames; i++) {
				if (what === 'scroll') leaf.scrollTop += 60;
				if (what === 'zoom')
					floor.dispatchEvent(
						new WheelEvent('wheel', {
							...{ bubbles: true, cancelable: true, deltaY: i % 40 < 20 ? -40 : 40 },
							...{ clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 }
						})
					);
				const now = await frame();
				found.push(now - last);
				last = now;
			}
			return found;
		},
		[what, frames] as const
	);

test('a list of 1,000 attempts', async ({ page }) => {
	await openList(page, 1000);
	console.log(`scrolled, frame to frame: ${percentiles(await framesOf(page, 'scroll', 240))}`);
	expect(await page.locator('.leaf').evaluate((leaf) => leaf.scrollTop)).toBeGreaterThan(10_000);
	const opened = await page.evaluate(async () => {
		const times: number[] = [];
		const rows = [...document.querySelectorAll<HTMLElement>('[data-attempt]')].slice(220, 240);
		for (const row of rows) {
			const began = performance.now();
			row.click();
			while (row.ariaCurrent !== 'true') await new Promise((done) => requestAnimationFrame(done));
			times.push(performance.now() - began);
		}
		return times;
	});
	console.log(`opened: ${percentiles(opened)}`);
});

test('ten ways of a minute over each other', async ({ page }) => {
	await openList(page, 10);
	const taken = page.getByRole('button', { name: 'Take it off the floor' });
	for (let way = 1; way < 10; way++) {
		await page.getByRole('button', { name: 'Lay it over the floor' }).nth(1).click();
		await expect(taken).toHaveCount(way);
	}
	const scale = page.locator('.scale-bar');
	const before = await scale.textContent();
	console.log(`zoomed, frame to frame: ${percentiles(await framesOf(page, 'zoom', 250))}`);
	expect(await scale.textContent()).not.toBe(before);
	await page.getByRole('button', { name: 'Play' }).click();
	console.log(`played, frame to frame: ${percentiles(await framesOf(page, 'play', 300))}`);
});
