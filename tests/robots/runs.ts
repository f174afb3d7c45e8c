/** Plans on robots: run, halted, kept, whatever dies meanwhile. */
import { expect, type Locator, type Page } from '@playwright/test';
import { go, lamp, right, wait } from '../../src/core/testing/sample';
import { violations } from '../axe';
import { openPlan, tag } from '../helpers';
import {
	comeIn,
	hand,
	hasGone,
	isOver,
	killYard,
	look,
	outcome,
	pair,
	readyToRun,
	robotCard,
	run,
	stands,
	startServer,
	yard
} from '../yard';
import { test } from '../test';

/** Presses on a place of a floor. @param scene what is drawn in metres */
async function pressAt(scene: Locator, [x, y]: readonly [number, number]) {
	await scene.scrollIntoViewIfNeeded();
	const at = await scene.evaluate(
		(drawn, [x, y]) =>
			new DOMPoint(x, y).matrixTransform((drawn as SVGGElement).getScreenCTM()!).toJSON(),
		[x, y] as const
	);
	await scene.page().mouse.click(at.x, at.y);
}

/** Metres from a mark to where it should be. */
async function farFrom(page: Page, mark: number, [x, y]: readonly [number, number]) {
	const told = await page.getByTestId('mark').nth(mark).getAttribute('transform');
	const [atX, atY] = told!.match(/-?[\d.]+/g)!.map(Number);
	return Math.hypot(atX! - x, atY! - y);
}

export function runs(): void {
	test('a plan runs on the robot, is halted, and is kept', async ({ page }) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await openPlan(page, [lamp('#ffb000'), go(0.4), wait(0.3), go(0.3)]);
		await run(page);
		await expect(tag(page, /Step 2/)).toHaveAttribute('aria-label', /Go forward/);
		await expect(page.getByRole('treeitem').filter({ hasText: 'running now' })).toHaveCount(1);
		await isOver(page);
		await expect(outcome(page)).toContainText('The robot reckons to be');
		await expect(page.getByText('reckoned by the robot')).toBeVisible();
		expect((await look('tallow')).at[1]).toBeGreaterThan(0.9);
		// It is drawn from the start mark on, wherever the robot took itself to be before it was told.
		const { starts } = await (await page.request.get('/api/documents/open-quay')).json();
		const drawn = await page.locator('polyline.reckoned').last().getAttribute('points');
		expect(drawn!.split(' ')[0]!.split(',').map(Number)).toEqual(starts[0].at);
		// Again in one tap, and halted.
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await page.getByRole('button', { name: 'Run on the robot' }).click();
		await expect.poll(async () => (await look('tallow')).columns.speed).toBeGreaterThan(0.1);
		await page.keyboard.press('Control+.');
		await expect(outcome(page)).toContainText('Halted');
		await expect
			.poll(async () => Math.abs((await look('tallow')).columns.speed!))
			.toBeLessThan(0.02);
		expect((await look('tallow')).at[1]).toBeLessThan(0.9);
		await page.reload();
		await expect(outcome(page)).toContainText('Halted');
		await expect(page.getByText('reckoned by the robot')).toBeVisible();
		// Both runs can be looked at again, and one is forgotten.
		await page.getByRole('button', { name: /^Robot/ }).click();
		await page.getByRole('button', { name: 'Runs on robots' }).click();
		const kept = page.getByRole('region', { name: 'Attempts' }).getByRole('listitem');
		await expect(kept).toHaveCount(2);
		await expect(kept.first()).toContainText('halted');
		await kept.last().locator('[data-attempt]').click();
		await expect(outcome(page)).toContainText('is over');
		await kept.first().getByRole('button', { name: 'Delete' }).click();
		await expect(kept).toHaveCount(1);
	});

	test('truth by hand: behind a leg by two tapes of the yard, at the end by a tap', async ({
		page,
		context
	}) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await openPlan(page, [go(0.4), right(90)]);
		await page.getByRole('button', { name: 'Run on the robot' }).click();
		await readyToRun(page);
		await page.getByLabel('Leg by leg').check();
		await page.getByRole('dialog').getByRole('button', { name: 'Run', exact: true }).click();
		await page
			.getByRole('dialog', { name: 'It waits behind step 1' })
			.getByRole('button', { name: 'Measure here' })
			.click();
		await stands('tallow');
		const leaf = page.getByRole('region', { name: 'Where Tallow really stands' });
		await leaf.getByRole('button', { name: 'Two tapes' }).click();
		const there = await context.newPage();
		// A hand that errs as hands do, and the same way each time.
		await there.addInitScript(() => {
			let chance = 1;
			Math.random = () => (chance = (chance * 16_807) % 2_147_483_647) / 2_147_483_647;
		});
		await there.goto(yard);
		const { starts } = await (await page.request.get('/api/documents/open-quay')).json();
		const from: [number, number][] = [starts[0].at, [0, 0]];
		const { at } = await look('tallow');
		const floor = there
			.locator('figure', { has: there.getByText('Open quay', { exact: true }) })
			.locator('svg > g');
		await there.getByRole('button', { name: 'Tape measure' }).click();
		for (const [which, thing] of from.entries()) {
			await pressAt(floor, thing);
			await pressAt(floor, at);
			const says = await there.getByText(/^The tape says/).textContent();
			await leaf.getByLabel('From').nth(which).selectOption(thing.join());
			await leaf.getByLabel(`Length of tape ${which + 1}`).fill(/[\d.]+/.exec(says!)![0]);
			await leaf.getByLabel(`Length of tape ${which + 1}`).blur();
		}
		await expect(leaf.getByTestId('reckoned-off')).toContainText(/off by [\d.]+ cm/);
		await leaf.getByRole('button', { name: 'Mark it' }).click();
		expect(await farFrom(page, 0, at)).toBeLessThan(0.01);
		await leaf.getByRole('button', { name: 'Go on' }).click();
		await expect(leaf).toContainText('It waits behind step 2');
		await leaf.getByRole('button', { name: 'Go on' }).click();
		await isOver(page);

		await stands('tallow');
		const end = await look('tallow');
		const trace = page.locator('polyline.reckoned').last();
		const recorded = await trace.getAttribute('points');
		await there.getByRole('button', { name: 'Protractor' }).click();
		await pressAt(floor, end.at);
		const says = await there.getByText(/^The protractor says/).textContent();
		await leaf.getByRole('button', { name: 'It stands here' }).click();
		await pressAt(page.locator('svg.on-floor > g').first(), end.at);
		await leaf.getByLabel('front to').fill(/\d+/.exec(says!)![0]);
		await leaf.getByLabel('front to').blur();
		await leaf.getByRole('button', { name: 'Mark it' }).click();
		expect(await farFrom(page, 1, end.at)).toBeLessThan(0.01);
		await expect(leaf.locator('[data-mark]')).toHaveText([/after step 1/, /at the end.*off by/]);
		expect(await trace.getAttribute('points')).toBe(recorded);
		expect(await violations(page)).toEqual([]);
		await page.reload();
		await page.getByRole('button', { name: 'Where it stands' }).click();
		await expect(page.getByTestId('mark')).toHaveCount(2);
	});

	test('a server that dies: the robot halts by itself, the run is kept, and the link comes back', async ({
		browser
	}) => {
		const { address, kill } = await startServer();
		const page = await browser.newPage({ baseURL: address });
		await comeIn(page);
		await pair(page, 'ember-6', (await look('ember-6')).name);
		await hand({ do: 'carry', robot: 'ember-6', to: 'long-quay' });
		await openPlan(page, [go(1.5, 0.3)], 'long-quay');
		await run(page);
		await hasGone('ember-6', 0.2);
		await kill();
		await expect(outcome(page)).toContainText('was lost after');
		await expect
			.poll(async () => Math.abs((await look('ember-6')).columns.speed!))
			.toBeLessThan(0.02);
		const again = await startServer(address);
		await page.getByRole('button', { name: 'Run on the robot' }).click();
		const list = page.getByRole('dialog');
		await expect(list).toContainText('was lost on its way', { timeout: 20_000 });
		await list.getByRole('button', { name: 'It stands there' }).click();
		await expect(list).toContainText('All is there');
		await page.reload();
		await expect(outcome(page)).toContainText('was lost after');
		await again.kill();
		await page.close();
	});

	test('on a phone: paired, run and halted by touch', async ({ browser, baseURL }) => {
		const viewport = { width: 390, height: 844 };
		const page = await browser.newPage({ baseURL, viewport, hasTouch: true, isMobile: true });
		await comeIn(page, 'Piet');
		// Whoever had it before is gone, and it has noticed.
		await expect.poll(async () => (await look('tallow')).with).toBeUndefined();
		await page.getByRole('button', { name: 'Pair with Tallow', exact: true }).tap();
		const dialog = page.getByRole('dialog');
		await expect(dialog).toBeVisible();
		const { signs } = await look('tallow');
		for (const [nth, sign] of signs!.entries())
			await dialog
				.locator('fieldset')
				.nth(nth)
				.locator('label')
				.nth(sign - 1)
				.tap();
		await dialog.getByRole('button', { name: 'That is what it shows' }).tap();
		await expect(robotCard(page, 'tallow')).toContainText('Obeys you.');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await openPlan(page, [go(0.9, 0.2)]);
		await page.getByRole('button', { name: 'Run on the robot' }).tap();
		await dialog.getByRole('button', { name: 'It stands there' }).tap();
		await dialog.getByRole('button', { name: 'Run', exact: true }).tap();
		await expect.poll(async () => (await look('tallow')).columns.speed).toBeGreaterThan(0.05);
		await page.getByRole('button', { name: 'Halt' }).tap();
		await expect(outcome(page)).toContainText('Halted');
		await page.close();
	});

	test('a yard that dies: the run is kept as far as it came, and the robot comes back', async ({
		page
	}) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await openPlan(page, [go(0.9, 0.2)]);
		await run(page);
		await expect.poll(async () => (await look('tallow')).at[1]).toBeGreaterThan(0.4);
		killYard();
		await expect(outcome(page)).toContainText('Tallow was lost after');
		await page.getByRole('button', { name: 'Run on the robot' }).click();
		const list = page.getByRole('dialog');
		await expect(list).toContainText('looked for again by itself');
		await expect(list).toContainText('was lost on its way', { timeout: 20_000 });
		await list.getByRole('button', { name: 'It stands there' }).click();
		await list.getByRole('button', { name: 'Run', exact: true }).click();
		await isOver(page);
	});

	test('a tab that is closed: the robot halts by itself, and the run is kept as far as it came', async ({
		page,
		context
	}) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'long-quay' });
		const id = await openPlan(page, [go(1.5, 0.3)]);
		await run(page);
		await hasGone('tallow', 0.2);
		await page.close();
		await expect
			.poll(async () => Math.abs((await look('tallow')).columns.speed!))
			.toBeLessThan(0.02);
		await expect.poll(async () => (await look('tallow')).with).toBeUndefined();
		const again = await context.newPage();
		await again.goto(`/plans/${id}`);
		await expect(outcome(again)).toContainText('The page was left during this run');
		await expect.poll(async () => (await look('tallow')).with).toBe('Maren');
	});
}
