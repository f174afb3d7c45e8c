/**
 * How long it takes from what happens to a robot to the shining tag: a hand touches it in the yard, its plan
 * notices over the link, and the tag of the step begins to shine. Run with `npm run bench:editor`; prints.
 */
import { expect, test } from '@playwright/test';
import { makePlan, planRobot } from '../src/core/plan/plan';
import { sampleRobot } from '../src/core/robots/robot-document';
import { skiff } from '../src/core/robots/skiff';
import { step, wait } from '../src/core/testing/sample';
import { save, tag } from '../tests/helpers';
import { comeIn, hand, pair, run } from '../tests/yard';
import { percentiles } from './percentiles';

const touches = 40;

test('from the robot to the shining tag', async ({ page }) => {
	test.setTimeout(120_000);
	await comeIn(page);
	await pair(page, 'tallow', 'Tallow');
	const touched = { id: 'c1', trigger: step('whenTouched'), steps: [wait(0.2)] };
	const plan = makePlan({
		name: 'Touch',
		robots: [planRobot(sampleRobot(skiff))],
		chains: [touched]
	});
	const bench = { courseId: 'open-quay', variation: 'classroom', attempts: [] };
	await page.request.put('/api/documents/touched', { data: { ...save(plan), bench } });
	await page.goto('/plans/touched');
	await expect(tag(page, /Step 1/)).toBeVisible();
	await run(page);
	// What happens before a run has begun is not of it.
	await expect(page.getByText(/^[1-9]\.\d of/)).toBeVisible();
	await page.evaluate(() => {
		const shone: number[] = [];
		Object.assign(window, { shone });
		let wasShining = false;
		new MutationObserver(() => {
			const isShining = document.querySelector('.tag.running') !== null;
			if (isShining && !wasShining) shone.push(Date.now());
			wasShining = isShining;
		}).observe(document.body, { subtree: true, attributes: true, childList: true });
	});
	const times: number[] = [];
	for (let i = 0; i < touches; i++) {
		const before = await page.evaluate(() => (window as never as { shone: number[] }).shone.length);
		const began = Date.now();
		await hand({ do: 'push', robot: 'tallow', place: 1 });
		await expect
			.poll(() => page.evaluate(() => (window as never as { shone: number[] }).shone.length))
			.toBeGreaterThan(before);
		const shone = await page.evaluate(() => (window as never as { shone: number[] }).shone.at(-1)!);
		times.push(shone - began);
		await page.waitForTimeout(450);
	}
	console.log(`from a touch to the shining tag: ${percentiles(times)}`);
});
