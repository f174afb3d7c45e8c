/** Real robots, or as near as it gets: against the yard's own process, through the server. */
import { expect, test, type Page } from '@playwright/test';
import { robotKinds } from '../src/core/robots/kinds';
import { go, lamp, planFor, planOf, repeat, right, step, wait } from '../src/core/testing/sample';
import { violations } from './axe';
import { hostileHost } from './hostile-host';
import { isSaved, openPlan, save, tag } from './helpers';
import {
	comeIn,
	hand,
	killYard,
	look,
	pair,
	robotCard,
	run,
	startServer,
	tellSigns,
	type Seen
} from './yard';

test.setTimeout(240_000);

const outcome = (page: Page) => page.getByTestId('outcome');
const isOver = (page: Page) => expect(outcome(page)).toContainText('is over', { timeout: 45_000 });

test('each thing that is in the way of pairing has its sentence and its remedy', async ({
	page
}) => {
	await page.goto('/');
	await page.getByRole('link', { name: 'Robots' }).click();
	await expect(robotCard(page, 'tallow')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Pair with Tallow', exact: true })).toBeDisabled();
	await page.getByRole('button', { name: 'Maren', exact: true }).click();

	await expect(robotCard(page, 'wick')).toContainText('Asleep. Tap it');
	await page.getByRole('button', { name: 'Pair with Wick', exact: true }).click();
	await expect(robotCard(page, 'wick')).toContainText('Wick is asleep. Tap it');
	await hand({ do: 'wake', robot: 'wick' });
	await robotCard(page, 'wick').getByRole('button', { name: 'Try again' }).click();
	await expect(robotCard(page, 'wick')).toContainText(/still starting: (\d|a) second/);

	await expect(robotCard(page, 'tallow-2')).toContainText('Ode has it');
	await robotCard(page, 'tallow-2').getByRole('button', { name: 'as soon as it can' }).click();
	await hand({ do: 'sendAway', robot: 'tallow-2' });
	await tellSigns(page, 'tallow-2');
	await expect(robotCard(page, 'tallow-2')).toContainText('Obeys you.');

	await expect(robotCard(page, 'ember-7')).toContainText('battery is empty');
	await page.getByRole('button', { name: 'Pair with Ember-7', exact: true }).click();
	await expect(robotCard(page, 'ember-7')).toContainText('The battery of Ember-7 is empty');

	await expect(robotCard(page, 'rushlight-2')).toContainText('firmware (0.9) is too old');
	await page.getByRole('button', { name: 'Pair with Rushlight 2', exact: true }).click();
	await expect(robotCard(page, 'rushlight-2')).toContainText('The firmware of Rushlight 2 is too');

	await expect(robotCard(page, 'wick-2')).toContainText('Hardly heard from here. Bring it nearer.');
	await page.getByRole('button', { name: 'Pair with Wick 2', exact: true }).click();
	await expect(robotCard(page, 'wick-2')).toContainText('Wick 2 is out of range', {
		timeout: 10_000
	});

	await expect(robotCard(page, 'vesper-2')).toHaveCount(0);
	await hand({ do: 'switchOn', robot: 'vesper-2' });
	await expect(robotCard(page, 'vesper-2')).toContainText('Still starting');
	await robotCard(page, 'vesper-2').getByRole('button', { name: 'as soon as it can' }).click();
	await expect(page.getByRole('dialog')).toContainText('Which signs does Vesper 2 show?', {
		timeout: 10_000
	});
	expect(await violations(page)).toEqual([]);
	await page.keyboard.press('Escape');
	await hand({ do: 'switchOff', robot: 'vesper-2' });
	await expect(robotCard(page, 'vesper-2')).toHaveCount(0, { timeout: 10_000 });

	await robotCard(page, 'tallow-2').getByRole('button', { name: 'More' }).click();
	await page.getByRole('menuitem', { name: 'Forget' }).click();
	await expect(robotCard(page, 'tallow-2')).toContainText('Ready to be paired');
});

test('wrong signs: new ones, and after three a hand is wanted', async ({ page }) => {
	await comeIn(page, 'Piet');
	await page.getByRole('button', { name: 'Pair with Vesper', exact: true }).click();
	const alert = page.getByRole('alert');
	for (let tries = 1; tries <= 3; tries++) {
		await tellSigns(page, 'vesper', 1);
		await expect(alert).toContainText('shows new ones now');
		await expect(page.getByRole('radio', { checked: true })).toHaveCount(0);
		await expect(page.getByRole('radio').first()).toBeFocused();
	}
	await expect(alert).toContainText('wants a hand');
	expect((await look('vesper')).with).toBeUndefined();
	await tellSigns(page, 'vesper');
	await expect(alert).toContainText('Now press the button of Vesper');
	// What was sealed may still be on its way to the robot.
	await expect(async () => {
		await hand({ do: 'push', robot: 'vesper', place: 1 });
		await expect(robotCard(page, 'vesper')).toContainText('Obeys you.', { timeout: 3000 });
	}).toPass();
	await page.getByRole('button', { name: 'More for Vesper', exact: true }).click();
	await page.getByRole('menuitem', { name: 'Forget' }).click();
	await expect.poll(async () => (await look('vesper')).with).toBeUndefined();
	// Who guesses has no new tries by that; a hand on its switch gives them back.
	await page.getByRole('button', { name: 'Pair with Vesper', exact: true }).click();
	await expect(alert).toContainText('wants a hand');
	await page.keyboard.press('Escape');
	await hand({ do: 'switchOff', robot: 'vesper' });
	await hand({ do: 'switchOn', robot: 'vesper' });
	await expect(robotCard(page, 'vesper')).toContainText('Still starting');
	await expect(robotCard(page, 'vesper')).toContainText('Ready to be paired');
	await page.getByRole('button', { name: 'Pair with Vesper', exact: true }).click();
	await expect(page.getByRole('dialog')).toContainText('Which signs does Vesper show?');
	await expect(alert).not.toContainText('wants a hand');
	await page.keyboard.press('Escape');
});

test('pairing, renaming and letting go by keyboard alone', async ({ page }) => {
	await comeIn(page);
	const { keyboard } = page;
	await page.getByRole('button', { name: 'Pair with Ember-6', exact: true }).focus();
	await keyboard.press('Enter');
	await expect(page.getByRole('radio').first()).toBeFocused();
	const { signs } = await look('ember-6');
	// With the arrow keys, as any choice; the numbers do it as well.
	for (const sign of signs!) {
		await keyboard.press('Space');
		for (let at = 1; at < sign; at++) await keyboard.press('ArrowRight');
		await keyboard.press('Tab');
	}
	await keyboard.press('Tab');
	await expect(page.getByRole('button', { name: 'That is what it shows' })).toBeFocused();
	await keyboard.press('Enter');
	await expect(robotCard(page, 'ember-6')).toContainText('Obeys you.');
	expect((await look('ember-6')).with).toBe('Maren');
	const highlighted = page.getByRole('menu').locator('[data-highlighted]');
	await page.getByRole('button', { name: 'More for Ember-6' }).press('Enter');
	// The menu takes the keyboard one frame after it shows its first entry; its button has it until then.
	await expect(page.getByRole('menu')).toBeFocused();
	await expect(highlighted).toHaveText('Rename');
	await keyboard.press('Enter');
	await expect(page.getByLabel('New name of the robot')).toBeFocused();
	await keyboard.press('Control+a');
	await keyboard.type('Ember-8');
	await keyboard.press('Enter');
	await expect(robotCard(page, 'ember-6')).toContainText('Ember-8');
	await expect.poll(async () => (await look('ember-6')).name).toBe('Ember-8');
	await page.reload();
	await expect(robotCard(page, 'ember-6')).toContainText('Obeys you.');
	await page.getByRole('button', { name: 'More for Ember-8' }).press('Enter');
	await expect(page.getByRole('menu')).toBeFocused();
	await expect(highlighted).toHaveText('Rename');
	await keyboard.press('ArrowDown');
	await expect(highlighted).toHaveText('Let go');
	await keyboard.press('Enter');
	await expect.poll(async () => (await look('ember-6')).with).toBeUndefined();
	await expect(robotCard(page, 'ember-6')).toContainText('It needs no signs to come back.');
});

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
	await expect(page.getByText('where the robot reckons to have been')).toBeVisible();
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
	await expect.poll(async () => Math.abs((await look('tallow')).columns.speed!)).toBeLessThan(0.02);
	expect((await look('tallow')).at[1]).toBeLessThan(0.9);
	await page.reload();
	await expect(outcome(page)).toContainText('Halted');
	await expect(page.getByText('where the robot reckons to have been')).toBeVisible();
	// Both runs can be looked at again, and one is forgotten.
	await page.getByRole('button', { name: /^Robot/ }).click();
	await page.getByRole('button', { name: 'Runs on robots' }).click();
	const kept = page.getByRole('dialog', { name: 'Runs on robots' }).getByRole('listitem');
	await expect(kept).toHaveCount(2);
	await expect(kept.first()).toContainText('Halted');
	await kept.last().getByRole('button', { name: 'Show' }).click();
	await expect(outcome(page)).toContainText('is over');
	await kept.first().getByRole('button', { name: 'Forget' }).click();
	await kept.first().getByRole('button', { name: 'Forget it for good?' }).click();
	await expect(kept).toHaveCount(1);
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
	await expect.poll(async () => Math.abs((await look('tallow')).columns.speed!)).toBeLessThan(0.02);
	await expect.poll(async () => (await look('tallow')).with).toBeUndefined();
	const again = await context.newPage();
	await again.goto(`/plans/${id}`);
	await expect(outcome(again)).toContainText('The page was left during this run');
	await expect.poll(async () => (await look('tallow')).with).toBe('Maren');
});

/** It has come so far from where it was, metres. */
async function hasGone(robot: string, far: number): Promise<void> {
	const from = (await look(robot)).at;
	const away = ({ at: [x, y] }: Seen) => Math.hypot(x - from[0], y - from[1]);
	await expect.poll(async () => away(await look(robot)), { timeout: 20_000 }).toBeGreaterThan(far);
}

/** It neither rolls nor turns. */
async function stands(robot: string): Promise<void> {
	let before = '';
	await expect
		.poll(async () => {
			const { at, bearing } = await look(robot);
			// Its gyro drifts, and with it what it holds by it.
			const now = [...at.map((metres) => metres.toFixed(3)), Math.round(bearing)].join();
			const isSame = now === before;
			before = now;
			return isSame;
		})
		.toBe(true);
}

/** Degrees between its front and a bearing. */
const turnedFrom = async (robot: string, bearing: number): Promise<number> =>
	Math.abs((((await look(robot)).bearing - bearing + 540) % 360) - 180);

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
	await expect(page.getByText('where the robot reckons to have been')).toBeVisible();
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

const names: Readonly<Record<string, readonly [id: string, name: string]>> = {
	skiff: ['tallow', 'Tallow'],
	skiffLite: ['wick', 'Wick'],
	ball: ['rushlight', 'Rushlight'],
	drone: ['taper', 'Taper'],
	rail: ['dory', 'Dory'],
	pinboard: ['snuffer', 'Snuffer'],
	face: ['vesper', 'Vesper']
};

test('every kind runs live', async ({ page }) => {
	test.setTimeout(180_000);
	await comeIn(page);
	for (const kind of robotKinds) {
		const [robot, name] = names[kind.kind]!;
		await hand({ do: 'wake', robot });
		await expect.poll(async () => (await look(robot)).power, { timeout: 10_000 }).toBe('on');
		await page.goto('/robots');
		await pair(page, robot, name);
		const course = kind.kind === 'rail' ? 'ferry-rail' : 'open-quay';
		await hand({ do: 'carry', robot, to: course });
		const start = step('goFor', { duration: 0.8, speed: 0.4, ending: 'brake', then: 'waitStill' });
		const steps = kind.kind === 'drone' ? [step('takeOff'), start, step('land')] : [start];
		const id = await openPlan(page, [right(0)], course);
		await page.request.put(`/api/documents/${id}`, {
			data: {
				...save(planFor(kind, planOf(steps)), 1),
				bench: { courseId: course, variation: 'classroom', attempts: [] }
			}
		});
		await page.reload();
		await expect(tag(page, 'When Run is pressed')).toBeVisible();
		await page.getByRole('button', { name: 'Run on the robot' }).click();
		const list = page.getByRole('dialog');
		await list.getByRole('button', { name: 'It stands there' }).click();
		if (kind.isRound) {
			await list.getByRole('button', { name: 'Line up' }).click();
			await list.getByRole('button', { name: 'Go and come back' }).click();
			await list.getByRole('button', { name: 'That way' }).click();
			await stands(robot);
		}
		const before = await look(robot);
		if (kind.kind === 'drone') await list.getByRole('button', { name: 'There is room' }).click();
		await list.getByRole('button', { name: 'Run', exact: true }).click();
		if (kind.kind === 'drone')
			await expect(page.getByRole('button', { name: 'Cut motors' })).toBeVisible();
		await isOver(page);
		const after = await look(robot);
		const far = Math.hypot(after.at[0] - before.at[0], after.at[1] - before.at[1]);
		expect(far, kind.kind).toBeGreaterThan(0.02);
		await page.goto('/robots');
		await robotCard(page, robot).getByRole('button', { name: 'More' }).click();
		await page.getByRole('menuitem', { name: 'Forget' }).click();
		// Nothing is to land on it.
		await hand({ do: 'carry', robot, to: 'shed' });
	}
});

test('a button board of one’s own, with the model and with the robot', async ({ page }) => {
	await comeIn(page);
	await pair(page, 'tallow', 'Tallow');
	await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
	const id = await openPlan(page, [go(0.3)]);
	await page.getByRole('button', { name: /^Robot/ }).click();
	await page.getByRole('button', { name: 'Button board' }).click();
	const board = page.getByRole('dialog', { name: 'Button board' });
	await board.getByRole('button', { name: 'Button', exact: true }).click();
	await board.getByLabel('Says').fill('Out to the lamp');
	await board.getByRole('button', { name: 'Stick', exact: true }).click();
	await board.getByRole('button', { name: 'Move Stick back' }).click();
	const things = board.getByRole('listitem');
	await expect(things.first()).toContainText('Stick');
	// And by the mouse, the other way again.
	await expect(things.locator('[data-can-drag]')).toHaveCount(2);
	const grip = (await things.last().locator('strong').boundingBox())!;
	const onto = (await things.first().boundingBox())!;
	await page.mouse.move(grip.x + 40, grip.y + 8);
	await page.mouse.down();
	await page.mouse.move(grip.x + 40, grip.y - 8, { steps: 3 });
	await page.mouse.move(onto.x + onto.width / 2, onto.y + 12, { steps: 5 });
	await page.mouse.up();
	await expect(things.first()).toContainText('Out to the lamp');
	await board.getByRole('button', { name: 'Use it' }).click();
	await board.getByRole('button', { name: 'Out to the lamp' }).click();
	await expect(page.getByRole('treeitem').filter({ hasText: 'running now' })).toHaveCount(1);
	await expect(tag(page, /Step 1/)).not.toContainText('running now');
	await page.getByRole('button', { name: 'Halt' }).click();
	await expect(outcome(page)).toContainText('Halted');
	await board.getByLabel('Works with').selectOption('Tallow');
	await board.getByRole('button', { name: 'Out to the lamp' }).click();
	await page.getByRole('button', { name: 'It stands there' }).click();
	await page.getByRole('dialog', { name: 'All is there' }).press('Escape');
	await board.getByRole('button', { name: 'Out to the lamp' }).click();
	await expect.poll(async () => (await look('tallow')).at[1]).toBeGreaterThan(0.55);
	await board.getByRole('group', { name: /Stick/ }).focus();
	await page.keyboard.down('ArrowDown');
	await expect.poll(async () => (await look('tallow')).at[1]).toBeLessThan(0.5);
	await page.keyboard.up('ArrowDown');
	await expect.poll(async () => Math.abs((await look('tallow')).columns.speed!)).toBeLessThan(0.02);
	await isSaved(page);
	const kept = await (await page.request.get(`/api/documents/${id}`)).json();
	expect(kept.board.map(({ type }: { type: string }) => type)).toEqual(['button', 'stick']);
});

/** Hostile messages to the app; `HOSTILE=10000` for the long form. */
const count = Number(process.env.HOSTILE ?? 300);

test('whatever a robot says, the run ends, is kept, and no button stays', async ({ browser }) => {
	test.setTimeout(300_000 + count * 100);
	const host = await hostileHost(count);
	const server = await startServer(undefined, host.address);
	const page = await browser.newPage({ baseURL: server.address });
	const errors: string[] = [];
	page.on('pageerror', (error) => errors.push(String(error)));
	try {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		let runs = 0;
		while (host.said() < count) {
			await openPlan(page, [repeat(3, [go(0.1), right(90), wait(1)])]);
			await run(page);
			runs += 1;
			await expect(page.getByTestId('outcome')).toContainText(/over|halted|lost|stopped/i, {
				timeout: 60_000
			});
			await expect(page.getByRole('button', { name: 'Halt' })).toHaveCount(0);
			await expect(page.getByText('No message has the key')).toHaveCount(0);
			await page.reload();
			await expect(page.getByTestId('outcome'), 'the run was kept').toContainText(
				/over|halted|lost|stopped/i
			);
		}
		expect(runs).toBeGreaterThan(0);
		expect(host.said()).toBe(count);
		expect(errors).toEqual([]);
	} finally {
		await page.close();
		host.close();
		await server.kill();
	}
});
