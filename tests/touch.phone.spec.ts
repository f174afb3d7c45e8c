import { expect } from '@playwright/test';
import type { Plan } from '../src/core/plan/plan';
import { go, step } from '../src/core/testing/sample';
import { choose, isSaved, openPlan, stepsOf, tag } from './helpers';
import { refineByHand } from './refine-by-hand';
import { test } from './test';

test('three steps, values, a move, a rehearsal and undo by touch', async ({ page }) => {
	await openPlan(page, []);
	for (const name of [/^Go forward/, /^Turn right/, /^Lamp amber/]) {
		await tag(page, 'Add a step').tap();
		await page.getByRole('option', { name }).tap();
		await expect(page.getByRole('listbox')).toHaveCount(0);
	}
	await page.getByRole('button', { name: 'Distance: 30 cm. Change' }).tap();
	await page.locator('.at-tag').getByRole('textbox').fill('31');
	// One tap takes what is typed, closes its editor and opens the next.
	await page.getByRole('button', { name: 'Speed: 40 %. Change' }).tap();
	await expect(page.locator('.at-tag')).toHaveAccessibleName('Speed');
	await expect(page.locator('.at-tag input[data-first-focus]')).toBeFocused();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Angle: 90°. Change' }).tap();
	await page.getByRole('button', { name: '180°' }).tap();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Colour: amber. Change' }).tap();
	await page.getByRole('button', { name: 'blue', exact: true }).tap();
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Go forward 31 cm at 40 %',
		'1 Step 2: Turn right 180°',
		'1 Step 3: Lamp blue'
	]);

	// A finger holds still on a tag, then drags it to the top.
	const touch = await page.context().newCDPSession(page);
	const from = (await tag(page, /Lamp blue/).boundingBox())!;
	const to = (await tag(page, /Go forward/).boundingBox())!;
	const point = (x: number, y: number) => ({ touchPoints: [{ x, y }] });
	const x = from.x + 62;
	await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', ...point(x, from.y + 27) });
	await expect(page.locator('.lifted')).toHaveCount(1);
	for (let y = from.y + 20; y > to.y + 8; y -= 12) {
		await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', ...point(x, y) });
	}
	await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', ...point(x, to.y + 8) });
	await expect(page.locator('.landing')).toBeVisible();
	await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
	await expect.poll(async () => (await stepsOf(page))[0]).toBe('1 Step 1: Lamp blue');

	await page.getByRole('button', { name: 'Rehearse' }).tap();
	await expect(page.getByTestId('robot')).toBeVisible();
	await page.getByRole('button', { name: 'Trail' }).tap();
	await expect(tag(page, /Step 2/)).toContainText(/\d\.\d s/);
	await page.getByRole('button', { name: 'Undo' }).tap();
	expect((await stepsOf(page))[2]).toBe('1 Step 3: Lamp blue');
	await isSaved(page);
});

test('nothing is wider than a phone', async ({ page }) => {
	for (const path of ['/', '/plans/reed-maze-inner']) {
		await page.goto(path);
		await expect(page.getByRole('button').first()).toBeVisible();
		const width = await page.evaluate(() => document.documentElement.scrollWidth);
		expect(width, path).toBeLessThanOrEqual(390);
	}
});

test('long tags take more lines on a phone, each in its own row', async ({ page }) => {
	const condition = { expression: 'distanceAhead < 20*cm and brightness > 40*percent or touched' };
	await openPlan(page, [
		step('wheelsFor', {
			left: 0.34,
			right: -0.42,
			duration: 1.5,
			ending: 'brake',
			then: 'waitStill'
		}),
		step('until', { condition }, [step('tone', { pitch: 660, length: 0.4, then: 'wait' })]),
		step('set', { variable: 'side', value: { expression: 'round(180 / 7) * 2 + random(1, 6)' } })
	]);
	await page.getByRole('radio', { name: 'Full' }).tap();
	await expect(tag(page, /Step 1: Left wheel 34 %.*wait until still/)).toBeVisible();
	const rows = await page.getByRole('treeitem').evaluateAll((items) =>
		items.map((item) => {
			const row = item.getBoundingClientRect();
			const drawn = [...item.querySelectorAll('.tag, button')].map((part) =>
				part.getBoundingClientRect()
			);
			return {
				height: row.height,
				spill: Math.max(...drawn.map((box) => box.bottom - row.bottom), 0),
				right: Math.max(...drawn.map((box) => box.right), 0)
			};
		})
	);
	expect(Math.max(...rows.map(({ spill }) => spill))).toBe(0);
	expect(Math.max(...rows.map(({ right }) => right))).toBeLessThan(390);
	expect(Math.max(...rows.map(({ height }) => height))).toBeGreaterThan(130);
});

for (const [width, height] of [
	[390, 844],
	[768, 1024]
] as const) {
	test(`four taps to a rehearsed plan of two steps, ${width}x${height}`, async ({ page }) => {
		await page.addInitScript(() =>
			localStorage.setItem('lantern-step.preferences', JSON.stringify({ level: 'first' }))
		);
		await page.setViewportSize({ width, height });
		await page.goto('/');
		await choose(page, 'Open quay', 'New plan here');
		await page.getByRole('option', { name: 'Go forward 30 cm at 40 %' }).tap();
		await page.getByRole('option', { name: 'Turn right 90°' }).tap();
		await page.getByRole('button', { name: 'Rehearse' }).tap();
		await expect(page.getByTestId('outcome')).toContainText(/Ended \d+ cm from the finish ring/);
		if (width < 560) await page.getByRole('button', { name: 'Trail' }).tap();
		expect(await stepsOf(page)).toHaveLength(2);
	});
}

test('what went wrong is found, mended, undone, mended by hand, and both are kept, by touch', async ({
	page
}) => {
	await refineByHand(page, (what) => what.tap());
});

test('at First a plan for a ball is built by touch alone', async ({ page }) => {
	await page.addInitScript(() =>
		localStorage.setItem('lantern-step.preferences', JSON.stringify({ level: 'first' }))
	);
	await page.goto('/');
	await page.getByRole('button', { name: 'New plan for another robot' }).tap();
	await page.getByRole('menuitem', { name: 'Bobbin' }).tap();
	for (const name of ['Lamp amber', 'Go forward 30 cm at 40 %', 'Turn right 90°'])
		await page.getByRole('option', { name, exact: true }).tap();
	await expect(page.getByRole('option', { name: /^Tone/ })).toHaveCount(0);
	await page.getByRole('button', { name: 'Rehearse' }).tap();
	await expect(page.getByTestId('outcome')).toContainText(/Ended \d+ cm from the finish ring/);
	await isSaved(page);
});

test('at First a plan for a drone is built by touch alone', async ({ page }) => {
	await page.addInitScript(() =>
		localStorage.setItem('lantern-step.preferences', JSON.stringify({ level: 'first' }))
	);
	await page.goto('/');
	await page.getByRole('button', { name: 'New plan for another robot' }).tap();
	await page.getByRole('menuitem', { name: 'Petrel' }).tap();
	for (const name of ['Take off', 'Go forward 30 cm at 40 %', 'Turn right 90°', 'Land'])
		await page.getByRole('option', { name, exact: true }).tap();
	await page.getByRole('button', { name: 'Rehearse' }).tap();
	await expect(page.getByTestId('heights')).toBeVisible();
	await expect(page.getByTestId('outcome')).toContainText(/Ended|Reached|ended/, {
		timeout: 20_000
	});
	await isSaved(page);
});

test('on a tablet upright floor and trail are both seen, and share the room as one likes', async ({
	page
}) => {
	await page.setViewportSize({ width: 768, height: 1024 });
	await page.goto('/plans/reed-maze-inner');
	const floor = page.getByRole('img', { name: /Reed maze/ });
	await expect(tag(page, /Step 1:/)).toBeVisible();
	const heightOf = async () => (await floor.boundingBox())!.height;
	const before = await heightOf();
	const border = page.getByRole('separator', { name: 'Border between floor and trail' });
	const { x, y } = (await border.boundingBox())!;
	await page.mouse.move(x + 300, y + 10);
	await page.mouse.down();
	await page.mouse.move(x + 300, y + 110, { steps: 4 });
	await page.mouse.up();
	await expect.poll(heightOf).toBeCloseTo(before + 110 - 10, -1.5);
	await border.press('Home');
	await expect(border).toHaveAttribute('aria-valuenow', '25');
	await page.reload();
	await expect(border).toHaveAttribute('aria-valuenow', '25');
	await expect(tag(page, /Step 1:/)).toBeInViewport();
});

test('a plan for two robots is built by touch', async ({ page }) => {
	await openPlan(page, [go(0.2)]);
	await page.getByRole('button', { name: /Tallow, Skiff/ }).tap();
	await page.getByRole('button', { name: 'One more robot' }).tap();
	await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Dory');
	await page.getByRole('radio', { name: 'Skiff Lite' }).tap();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'New chain' }).tap();
	await page.getByRole('option', { name: /^When Run is pressed/ }).tap();
	await page.keyboard.press('Escape');
	await page.getByRole('combobox', { name: 'Tallow runs this chain.' }).nth(1).selectOption('Dory');
	await tag(page, 'Add a step').nth(1).tap();
	await page.getByRole('option', { name: /^Lamp amber/ }).tap();
	await page.getByRole('button', { name: 'Rehearse' }).tap();
	await expect(page.getByTestId('outcome')).toContainText(/Ended \d+ cm from/);
	await expect(page.locator('polyline.trace')).toHaveCount(2);
	await isSaved(page);
	const { robots } = (await (
		await page.request.get(page.url().replace('/plans/', '/api/documents/'))
	).json()) as Plan;
	expect(robots.map(({ name, kind }) => [name, kind])).toEqual([
		['Tallow', 'skiff'],
		['Dory', 'skiffLite']
	]);
});
