/**
 * How fast the trail answers with a plan of 1,000 steps nested ten deep, in the production build: from the press of a
 * key to a laid-out page. Run with `npm run bench:editor`; prints, and fails only when nothing happens.
 */
import { expect, test } from '@playwright/test';
import { deepPlan } from '../src/core/testing/sample';
import { openPlan, tag } from '../tests/helpers';
import { percentiles } from './percentiles';

test('1,000 steps nested ten deep', async ({ page }) => {
	await openPlan(page, deepPlan().chains[0]!.steps);
	await expect(tag(page, 'Step 1: Repeat 2 times')).toBeVisible();
	const times = await page.evaluate(async () => {
		const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
		const measured: Record<string, number[]> = {};
		const macrotask = () =>
			new Promise((done) => {
				const { port1, port2 } = new MessageChannel();
				port1.onmessage = done;
				port2.postMessage(null);
			});
		const rows = () =>
			Array.from(document.querySelectorAll('[role=treeitem]'), (row) => row.ariaLabel)
				.sort()
				.join();
		const focused = () => document.activeElement as HTMLElement;
		async function press(name: string, key: string, more: KeyboardEventInit = {}) {
			await frame();
			const before = rows();
			const began = performance.now();
			focused().dispatchEvent(
				new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more })
			);
			await macrotask();
			document.body.getBoundingClientRect();
			(measured[name] ??= []).push(performance.now() - began);
			await frame();
			if (rows() === before && !name.includes('shelf'))
				throw new Error(`Nothing came of "${name}".`);
		}
		const focusStep = () => document.querySelector<HTMLElement>('[aria-label^="Step 7:"]')!.focus();
		for (let round = 0; round < 40; round++) {
			focusStep();
			await press('move', 'ArrowDown', { altKey: true });
			await press('undo the move', 'z', { ctrlKey: true });
			focusStep();
			await press('remove', 'Delete');
			await press('undo the removal', 'z', { ctrlKey: true });
			focusStep();
			await press('add: open the shelf', 'Enter');
			while (!focused().matches('input')) await frame();
			await press('add: tie the step', 'Enter');
			while (!focused().matches('[role=treeitem]')) await frame();
			await press('undo the addition', 'z', { ctrlKey: true });
		}
		const scroller = document.querySelector('.scroller')!;
		let last = performance.now();
		for (let i = 0; i < 120; i++) {
			scroller.scrollTop += 90;
			await new Promise((done) => requestAnimationFrame(done));
			const now = performance.now();
			(measured['scroll, frame to frame'] ??= []).push(now - last);
			last = now;
		}
		return measured;
	});
	for (const [name, list] of Object.entries(times))
		console.log(`${name.padEnd(24)} ${percentiles(list)}`);
	expect(await tag(page, /^Step/).count()).toBeGreaterThan(5);
});
