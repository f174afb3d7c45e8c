/** Robots lined up, loaded, driven by hand and in crews. */
import { expect } from '@playwright/test';
import { robotKinds } from '../../src/core/robots/kinds';
import { go, planFor, planOf, step } from '../../src/core/testing/sample';
import { openPlan, save, tag } from '../helpers';
import {
	comeIn,
	hand,
	hasGone,
	isOver,
	look,
	outcome,
	pair,
	run,
	stands,
	turnedFrom
} from '../yard';
import { test } from '../test';

export function hands(): void {
	test('a ball is lined up from a wrong front', async ({ page }) => {
		await comeIn(page);
		await pair(page, 'rushlight', 'Rushlight');
		await hand({ do: 'carry', robot: 'rushlight', to: 'open-quay', turned: 115 });
		const id = await openPlan(page, []);
		const ball = robotKinds.find(({ kind }) => kind === 'ball')!;
		const roll = step('rollFar', { distance: 0.5, bearing: 0, speed: 0.3, then: 'waitStill' });
		await page.request.put(`/api/documents/${id}`, {
			data: {
				...save(planFor(ball, planOf([roll])), 1),
				bench: { courseId: 'open-quay', variation: 'classroom', attempts: [] }
			}
		});
		await page.reload();
		await page.getByRole('button', { name: 'Run on the robot' }).click();
		const list = page.getByRole('dialog');
		await list.getByRole('button', { name: 'It stands there' }).click();
		await list.getByRole('button', { name: 'Line up' }).click();
		await list.getByRole('button', { name: 'Go and come back' }).click();
		const front = list.getByLabel('Way it went');
		await expect(front).toBeVisible();
		await stands('rushlight');
		const { bearing, at } = await look('rushlight');
		await front.fill(String(Math.round(bearing)));
		await front.blur();
		await list.getByRole('button', { name: 'That way' }).click();
		await expect.poll(() => turnedFrom('rushlight', 0)).toBeLessThan(12);
		await list.getByRole('button', { name: 'Run', exact: true }).click();
		await isOver(page);
		const end = await look('rushlight');
		expect(end.at[1] - at[1]).toBeGreaterThan(0.35);
		expect(Math.abs(end.at[0] - at[0])).toBeLessThan(0.15);
	});

	test('a plan is held by the robot, started by its button, and its attempt is there afterwards', async ({
		page
	}) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		const id = await openPlan(page, [go(0.5)]);
		await page.getByRole('button', { name: /^Robot/ }).click();
		await page.getByRole('button', { name: 'Store on the robot' }).click();
		await page.getByRole('button', { name: 'Store here' }).first().click();
		await expect(page.getByRole('dialog', { name: 'What Tallow holds' })).toContainText(
			'Quay there and back, by Maren'
		);
		await page.getByRole('button', { name: 'Replace' }).click();
		await expect(page.getByText('Replace “Quay there and back” by Maren?')).toBeVisible();
		await page.goto('about:blank');
		await expect.poll(async () => (await look('tallow')).with).toBeUndefined();
		await hand({ do: 'push', robot: 'tallow', place: 1 });
		await expect
			.poll(async () => (await look('tallow')).at[1], { timeout: 15_000 })
			.toBeGreaterThan(0.75);
		await page.goto(`/plans/${id}`);
		await isOver(page);
		await expect(page.getByText('reckoned by the robot')).toBeVisible();
	});

	test('it is driven by hand, and what was driven becomes steps', async ({ page }) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await openPlan(page, []);
		await page.getByRole('button', { name: /^Robot/ }).click();
		await page.getByRole('button', { name: 'Hand drive' }).click();
		// Keys count from when it is there.
		await expect(page.getByRole('dialog', { name: 'Drive Tallow' })).toBeFocused();
		await page.keyboard.down('ArrowUp');
		await hasGone('tallow', 0.2);
		await page.keyboard.up('ArrowUp');
		await stands('tallow');
		const { bearing } = await look('tallow');
		await page.keyboard.down('ArrowRight');
		await expect.poll(() => turnedFrom('tallow', bearing)).toBeGreaterThan(30);
		await page.keyboard.up('ArrowRight');
		await stands('tallow');
		// Halt counts even while a key is still held.
		await page.keyboard.down('ArrowUp');
		await expect.poll(async () => (await look('tallow')).columns.speed).toBeGreaterThan(0.1);
		await page.getByRole('button', { name: 'Halt' }).click();
		await expect.poll(async () => (await look('tallow')).columns.speed).toBeLessThan(0.02);
		await page.keyboard.up('ArrowUp');
		await page.getByRole('button', { name: 'Keep as steps' }).click();
		await expect(tag(page, /Step 1: Go forward/)).toBeVisible();
		// Between them it may have stood for so long that a wait was kept, too.
		await expect(tag(page, /: Turn right/)).toBeVisible();
	});

	test('two robots run one plan, and one waits for the word of the other', async ({ page }) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await pair(page, 'ember-6', (await look('ember-6')).name);
		for (const robot of ['tallow', 'ember-6']) await hand({ do: 'carry', robot, to: 'lock' });
		await page.goto('/plans/lamp-over-the-lock');
		await expect(page.getByRole('treeitem').first()).toBeVisible();
		await run(page);
		await expect
			.poll(async () => (await look('ember-6')).columns.speed, { timeout: 40_000 })
			.toBeGreaterThan(0.05);
		await expect(outcome(page)).toContainText(/is over|Halted|cannot get on/, { timeout: 60_000 });
	});
}
