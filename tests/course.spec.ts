/** Courses are laid out on their desk: by mouse, by touch, by keyboard alone, and paced out. */
import { expect, type Browser, type Page } from '@playwright/test';
import { courseSchema, type Course } from '../src/core/course/course';
import { news } from './helpers';
import { courseOn, keyboard, mouse, openDesk, pixelOf, putAway, touch, type Hand } from './desk';
import { test } from './test';
import { points } from '../src/core/testing/sample';

test.afterEach(({ request }) => putAway(request));

/** Something of every kind. */
async function layAll(hand: Hand): Promise<void> {
	await hand.choose('start mark');
	await hand.pull([0.3, 0.2], [0.5, 0.2], ['Bearing', '90']);
	await hand.choose('finish ring');
	await hand.pull([1.7, 1.2], [1.9, 1.2], ['Radius', '20']);
	await hand.choose('tape');
	await hand.lay(points('0.3,0.4 0.3,0.9 0.6,0.9'));
	await hand.end();
	await hand.choose('wall');
	await hand.lay(points('1,0.1 1,0.5 1.3,0.5'));
	await hand.end();
	await hand.choose('rail');
	await hand.lay(points('0.1,0.2 0.1,0.7 0.4,1'));
	await hand.end();
	for (const area of ['colour patch', 'surface', 'table edge']) {
		const [west, south] = { 'colour patch': [1.5, 0.1], surface: [0.8, 0.8] }[area] ?? [0, 0];
		const [east, north] = west === 0 ? [2, 1.5] : [west! + 0.3, south! + 0.2];
		await hand.choose(area);
		await hand.lay([
			[west!, south!],
			[east!, south!],
			[east!, north!],
			[west!, north!],
			[west!, south!]
		]);
	}
	await hand.choose('crate');
	await hand.pull([0.8, 0.3], [0.8, 0.1], ['Bearing', '180']);
	await hand.choose('lamp post');
	await hand.lay([[1.3, 0.9]]);
	await hand.choose('gate');
	await hand.pull([1.6, 0.7], [1.8, 0.7], ['Bearing', '90']);
	await hand.choose('landing pad');
	await hand.lay([[0.4, 1.25]]);
}

async function laidBy(page: Page, handOf: (page: Page) => Hand | Promise<Hand>): Promise<Course> {
	const id = await openDesk(page);
	await layAll(await handOf(page));
	const course = await courseOn(page, id);
	expect(courseSchema.safeParse(course).error).toBeUndefined();
	return course;
}

/** With the mouse an area is corner after corner, too: its first two are not pulled apart. */
const cornerByCorner = (page: Page): Hand => {
	const hand = mouse(page);
	const lay: Hand['lay'] = async (places) => {
		const isArea = places.length === 5;
		if (!isArea) return hand.lay(places);
		for (const at of places) await hand.lay([at]);
	};
	return { ...hand, lay };
};

async function onTablet(browser: Browser, baseURL: string | undefined): Promise<Page> {
	const viewport = { width: 1180, height: 820 };
	return browser.newPage({ baseURL, viewport, hasTouch: true });
}

test('a course with every kind of part is the same by mouse, by touch and by keyboard alone', async ({
	page,
	browser,
	baseURL
}) => {
	test.setTimeout(300_000);
	const byMouse = await laidBy(page, cornerByCorner);
	expect(byMouse.starts).toEqual([{ at: [0.3, 0.2], bearing: 90 }]);
	expect(byMouse.finish).toEqual({ at: [1.7, 1.2], radius: 0.2 });
	expect(byMouse.walls.map(({ from, to }) => [from, to])).toEqual([
		points('1,0.1 1,0.5'),
		points('1,0.5 1.3,0.5')
	]);
	expect(byMouse.rails[0]!.pieces).toEqual([{ length: 0.5 }, { radius: 0.3, angle: 90 }]);
	for (const list of [
		'tapes',
		'patches',
		'surfaces',
		'crates',
		'lampPosts',
		'gates',
		'pads'
	] as const)
		expect(byMouse[list]).toHaveLength(1);
	expect(byMouse.table).toHaveLength(4);
	expect(await laidBy(page, keyboard)).toEqual(byMouse);
	const tablet = await onTablet(browser, baseURL);
	expect(await laidBy(tablet, touch)).toEqual(byMouse);
	await tablet.close();
});

test('a line is paced out, and a mistake is named before anything is laid', async ({ page }) => {
	const id = await openDesk(page);
	const hand = mouse(page);
	await hand.choose('tape');
	await hand.lay([[0.2, 0.2]]);
	const line = page.getByLabel('Pace it out');
	await line.fill('60, rihgt 90');
	await expect(page.locator('#pace-news')).toContainText('At place 5: “rihgt” is no length');
	await expect(page.getByRole('button', { name: 'Lay it' })).toBeDisabled();
	await line.fill('60, right 90, 40, left 45, 60');
	await expect(page.locator('polyline.preview')).toHaveCount(1);
	await line.press('Enter');
	await expect(news(page)).toContainText('Laid: tape, 160 cm');
	// It goes on from its end, the way it points.
	await line.fill('right 45, 50');
	await line.press('Enter');
	const { tapes } = await courseOn(page, id);
	expect(tapes[0]!.points.slice(0, 3)).toEqual(points('0.2,0.2 0.2,0.8 0.6,0.8'));
	const [before, last] = tapes[0]!.points.slice(-2);
	expect(last![0] - before![0]).toBeCloseTo(0.5, 3);
	expect(last![1] - before![1]).toBeCloseTo(0, 3);
});

test('what lies there is moved, turned, numbered, copied to another course, and undone', async ({
	page,
	context
}) => {
	await context.grantPermissions(['clipboard-read', 'clipboard-write']);
	const crate = { id: 'crate-1', at: [0.5, 0.5], bearing: 0, width: 0.1, depth: 0.1, mass: 0.2 };
	const id = await openDesk(page, { crates: [crate] as Course['crates'] });
	const before = JSON.stringify(await courseOn(page, id));
	await mouse(page).pull([0.5, 0.5], [0.9, 0.7], ['', '']);
	await expect(page.getByLabel('East', { exact: true })).toHaveValue('90');
	await page.getByLabel('North', { exact: true }).fill('62.5');
	await page.getByLabel('North', { exact: true }).press('Enter');
	await page.getByRole('button', { name: 'Turn right 15°' }).click();
	expect((await courseOn(page, id)).crates[0]).toMatchObject({ at: [0.9, 0.625], bearing: 15 });
	const floor = page.getByTestId('desk-floor');
	await floor.focus();
	await page.keyboard.press('Shift+ArrowLeft');
	expect((await courseOn(page, id)).crates[0]!.at).toEqual([0.89, 0.625]);
	await page.keyboard.press('Control+d');
	await page.keyboard.press('Control+a');
	await expect(page.getByRole('heading', { name: '2 parts' })).toBeVisible();
	await page.getByLabel('Bring into line').selectOption('West edges');
	const aligned = (await courseOn(page, id)).crates;
	expect(aligned[0]!.at[0]).toBe(aligned[1]!.at[0]);
	await page.keyboard.press('Control+c');
	await page.getByRole('button', { name: 'Hold fast' }).click();
	await floor.focus();
	await page.keyboard.press('ArrowRight');
	await expect(news(page)).toContainText('held fast');
	for (let i = 0; i < 7; i++) await page.keyboard.press('Control+z');
	await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
	expect(JSON.stringify(await courseOn(page, id))).toBe(before);
	const other = await openDesk(page);
	await page.getByTestId('desk-floor').focus();
	await page.keyboard.press('Control+v');
	expect((await courseOn(page, other)).crates).toHaveLength(2);
});

test('handles turn, reach further, and move a corner', async ({ page }) => {
	const id = await openDesk(page, {
		starts: [{ at: [0.4, 0.4], bearing: 0 }],
		lampPosts: [{ id: 'post', at: [1, 1], reach: 0.15 }],
		isInOrder: true,
		walls: [{ id: 'pier', from: [1.4, 0.2], to: [1.4, 0.6], thickness: 0.02 }],
		crates: [{ id: 'box', at: [1.8, 1.2], bearing: 90, width: 0.2, depth: 0.2, mass: 0.2 }]
	} as Partial<Course>);
	await expect(page.locator('#desk-scene .number')).toHaveText(['1']);
	const { pull, lay } = mouse(page);
	const handle = async (nth: number) => {
		const box = (await page.locator('.handle').nth(nth).boundingBox())!;
		return [box.x + box.width / 2, box.y + box.height / 2] as const;
	};
	const drag = async (from: readonly [number, number], to: readonly [number, number]) => {
		await page.mouse.move(...from);
		await page.mouse.down();
		await page.mouse.move(...to, { steps: 4 });
		await page.mouse.up();
	};
	await lay([[1, 1]]);
	await drag(await handle(0), await pixelOf(page, [1.3, 1]));
	await lay([[0.4, 0.4]]);
	await drag(await handle(0), await pixelOf(page, [0.8, 0.4]));
	await lay([[1.4, 0.4]]);
	await pull([1.4, 0.6], [1.7, 0.6], ['', '']);
	await lay([[1.8, 1.2]]);
	await drag(await handle(1), await pixelOf(page, [1.95, 1.35]));
	const course = await courseOn(page, id);
	expect(course.crates[0]).toMatchObject({ at: [1.8, 1.2], width: 0.3, depth: 0.3 });
	expect(course.lampPosts[0]!.reach).toBe(0.3);
	expect(course.starts[0]!.bearing).toBe(90);
	expect(course.walls[0]).toMatchObject({ from: [1.4, 0.2], to: [1.7, 0.6] });
});

test('fingers select several, copy and paste, and set free what is held fast', async ({
	browser,
	baseURL
}) => {
	const page = await onTablet(browser, baseURL);
	const crates = [0.5, 0.8].map((x, i) => ({
		...{ id: `crate-${i + 1}`, at: [x, 0.5], bearing: 0, width: 0.1, depth: 0.1, mass: 0.2 }
	})) as Course['crates'];
	const id = await openDesk(page, { crates });
	const hand = await touch(page);
	const press = (name: string) => page.getByRole('button', { name, exact: true }).tap();
	await press('Several');
	await hand.lay(points('0.5,0.5 0.8,0.5'));
	await expect(page.getByRole('heading', { name: '2 parts' })).toBeVisible();
	await press('Copy, for here or another course');
	await press('Hold fast');
	await press('Several');
	// What is held fast cannot be pulled, but a press still finds it.
	await hand.lay([[1.4, 1]]);
	await hand.lay([[0.5, 0.5]]);
	await expect(page.getByText('held fast', { exact: true })).toBeVisible();
	await press('Set free');
	expect((await courseOn(page, id)).locked).toEqual(['crates/crate-2']);
	const other = await openDesk(page);
	await press('Paste');
	expect((await courseOn(page, other)).crates.map(({ at }) => at)).toEqual(
		points('0.6,0.4 0.9,0.4')
	);
	await page.close();
});

test('a number out of its range stays, with what was expected; letters choose what is laid', async ({
	page
}) => {
	const id = await openDesk(page);
	const floor = page.getByTestId('desk-floor');
	await floor.focus();
	await page.keyboard.press('c');
	await page.keyboard.press('Enter');
	const width = page.getByLabel('Width', { exact: true });
	await width.fill('400');
	await width.press('Enter');
	await expect(page.getByRole('alert')).toHaveText('A number from 2 to 100 cm was expected.');
	await expect(width).toHaveValue('400');
	await width.press('Escape');
	await expect(width).toHaveValue('12');
	await expect(page.getByRole('alert')).toHaveCount(0);
	await page.getByLabel('Bearing', { exact: true }).fill('-90');
	await page.getByLabel('Bearing', { exact: true }).press('Enter');
	expect((await courseOn(page, id)).crates[0]).toMatchObject({ width: 0.12, bearing: 270 });
	await page.keyboard.press('Escape');
	await floor.focus();
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toContainText('lamp post');
});

test('a line goes on from where it ends, also when a piece of it was undone', async ({ page }) => {
	const id = await openDesk(page);
	const hand = keyboard(page);
	await hand.choose('wall');
	await hand.lay(points('1,0.75 1.2,0.75 1.2,1'));
	await page.keyboard.press('Control+z');
	await hand.lay([[1.4, 0.75]]);
	// One undo takes the piece, the next the one before, the third the place where it began.
	for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
	await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
	for (let i = 0; i < 2; i++) await page.keyboard.press('Control+Shift+z');
	const walls = (await courseOn(page, id)).walls.map(({ from, to }) => [from, to]);
	expect(walls).toEqual([points('1,0.75 1.2,0.75'), points('1.2,0.75 1.4,0.75')]);
});

test('lengths, angles and the room between two things are paced', async ({ page }) => {
	await openDesk(page, {
		crates: [
			{ id: 'a', at: [0.5, 0.5], bearing: 0, width: 0.1, depth: 0.1, mass: 0.2 },
			{ id: 'b', at: [0.9, 0.5], bearing: 0, width: 0.1, depth: 0.1, mass: 0.2 }
		]
	});
	const hand = mouse(page);
	await hand.choose('Pace');
	await hand.lay([[0.2, 0.2]]);
	await hand.lay([[0.2, 0.8]]);
	await hand.lay([[0.6, 0.8]]);
	const labels = page.locator('#desk-scene text.label');
	await expect(labels.nth(0)).toHaveText(/^60 cm\s+0°$/);
	await expect(labels.nth(1)).toHaveText(/^40 cm\s+90°\s+∠ 90°$/);
	await expect(page.getByText('100 cm in all')).toBeVisible();
	await hand.choose('Select');
	await page.getByTestId('desk-floor').focus();
	await page.keyboard.press('Control+a');
	await expect(page.getByText('30 cm lie free between them.')).toBeVisible();
});

test('a second finger takes a pull back, and Escape ends a line', async ({ browser, baseURL }) => {
	const page = await onTablet(browser, baseURL);
	const id = await openDesk(page);
	await (await touch(page)).choose('wall');
	const session = await page.context().newCDPSession(page);
	const [x, y] = await pixelOf(page, [0.5, 0.5]);
	const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...touchPoints: object[]) =>
		session.send('Input.dispatchTouchEvent', { type, touchPoints } as never);
	await send('touchStart', { x, y, id: 1 });
	await send('touchMove', { x: x + 80, y, id: 1 });
	await send('touchStart', { x: x + 80, y, id: 1 }, { x: x + 200, y, id: 2 });
	await send('touchMove', { x: x + 60, y, id: 1 }, { x: x + 260, y, id: 2 });
	await send('touchEnd');
	expect((await courseOn(page, id)).walls).toEqual([]);
	await page.close();
});
