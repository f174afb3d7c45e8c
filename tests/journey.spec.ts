import { expect, type Page } from '@playwright/test';
import { go, lamp, repeat, right, tone } from '../src/core/testing/sample';
import { choose, isSaved, news, openPlan, rowsOf, stepsOf, tag } from './helpers';
import { test } from './test';

test('a new person plans, rehearses, changes a number, and finds everything as it was', async ({
	page
}) => {
	await page.goto('/');
	await page.getByLabel('Another name').fill('Sanne');
	await page.getByRole('button', { name: "That's me" }).click();
	await expect(page.getByRole('button', { name: 'Here: Sanne' })).toBeVisible();
	await choose(page, 'Open quay', 'New plan here');
	await expect(page.getByText('by Sanne')).toBeVisible();

	for (const typed of ['lamp amber', 'go 40', 'tone']) {
		await tag(page, 'Add a step').click();
		await page.getByRole('combobox', { name: 'Type' }).fill(typed);
		await page.keyboard.press('Enter');
	}
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(tag(page, /Step 2/).getByText('running now')).toBeAttached();
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '8 ×' });
	const outcome = page.getByTestId('outcome');
	await expect(outcome).toContainText(/Ended \d+ cm from the finish ring after/);
	await expect(tag(page, /Step 2/)).toContainText(/2\.\d s/);

	await page.getByRole('button', { name: 'Distance: 40 cm. Change' }).click();
	await page.getByRole('textbox', { name: 'Distance' }).fill('80');
	await page.keyboard.press('Enter');
	await expect(outcome).toContainText('The plan has changed since this rehearsal.');
	await page.getByRole('button', { name: 'Rehearse again' }).click();
	await expect(outcome).toHaveText(/Reached the finish in \d(\.\d)? s\./);
	await expect(page.locator('polyline.trace.before')).toHaveCount(1);

	await isSaved(page);
	await page.reload();
	await expect(outcome).toHaveText(/Reached the finish in \d(\.\d)? s\./);
	await expect(page.locator('polyline.trace')).toHaveCount(2);
	expect((await stepsOf(page))[1]).toBe('1 Step 2: Go forward 80 cm at 40 %');
});

test('three steps, values, a move, a rehearsal and undo by keyboard alone', async ({ page }) => {
	await openPlan(page, []);
	const { keyboard } = page;
	for (let i = 0; i < 40; i++) {
		if (await tag(page, 'When Run is pressed').evaluate((row) => row === document.activeElement))
			break;
		await keyboard.press('Tab');
	}
	for (const typed of ['repeat 2', 'go 30', 'turn']) {
		await keyboard.press('Enter');
		await expect(page.getByRole('combobox', { name: 'Type' })).toBeFocused();
		await keyboard.type(typed);
		await keyboard.press('Enter');
		await expect(news(page)).toContainText('Added');
		await expect(page.getByRole('combobox', { name: 'Type' })).toHaveCount(0);
		await expect(page.getByRole('treeitem').and(page.locator(':focus'))).toHaveCount(1);
	}
	await expect(tag(page, 'Step 3: Turn right 90°')).toBeFocused();
	await keyboard.press('Tab');
	await keyboard.press('Tab');
	await keyboard.press('Enter');
	await expect(page.getByRole('textbox', { name: 'Angle' })).toBeFocused();
	await keyboard.type('7200');
	await keyboard.press('Enter');
	await expect(page.getByRole('alert')).toContainText(
		'7,200 does not fit: from -3,600 to 3,600 °.'
	);
	await keyboard.press('Control+a');
	await keyboard.type('45');
	await keyboard.press('Enter');
	await expect(page.getByRole('button', { name: 'Angle: 45°. Change' })).toBeFocused();

	await keyboard.press('Shift+Tab');
	await keyboard.press('Shift+Tab');
	await expect(tag(page, 'Step 3: Turn right 45°')).toBeFocused();
	await keyboard.press('Space');
	await expect(news(page)).toContainText('Picked up: Turn right 45°');
	await keyboard.press('ArrowUp');
	await expect(news(page)).toHaveText('Turn right 45°: first in the loop of step 1.');
	await keyboard.press('Space');
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Repeat 2 times',
		'2 Step 2: Turn right 45°',
		'2 Step 3: Go forward 30 cm at 40 %'
	]);

	await keyboard.press('Control+Enter');
	await expect(page.getByRole('button', { name: 'Halt' })).toBeVisible();
	await keyboard.press('Control+z');
	await keyboard.press('Control+z');
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Repeat 2 times',
		'2 Step 2: Go forward 30 cm at 40 %',
		'2 Step 3: Turn right 90°'
	]);
	await keyboard.press('Control+Shift+z');
	await expect(tag(page, 'Step 3: Turn right 45°')).toBeVisible();
	await isSaved(page);
});

async function drag(page: Page, from: RegExp, to: { x: number; y: number }) {
	// What dragging needs comes a moment after the first view.
	await expect(tag(page, from).locator('[data-can-drag]')).toHaveCount(1);
	const box = (await tag(page, from).boundingBox())!;
	await page.mouse.move(box.x + 75, box.y + box.height / 2);
	await page.mouse.down();
	await page.mouse.move(box.x + 85, box.y + box.height / 2 + 8, { steps: 3 });
	await page.mouse.move(to.x, to.y, { steps: 6 });
	await page.mouse.up();
}

const above = async (page: Page, name: RegExp) => {
	const box = (await tag(page, name).boundingBox())!;
	return { x: box.x + 90, y: box.y + 6 };
};

test('tags are dragged into and out of a loop, aside, between chains, and away', async ({
	page
}) => {
	await openPlan(page, [repeat(2, [go(0.2), right(90)]), lamp('#ff6b5c'), tone(440, 0.5)]);
	await drag(page, /Lamp coral/, await above(page, /Turn right/));
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Repeat 2 times',
		'2 Step 2: Go forward 20 cm at 40 %',
		'2 Step 3: Lamp coral',
		'2 Step 4: Turn right 90°',
		'1 Step 5: Tone 440 Hz for 0.5 s, wait for it'
	]);
	await drag(page, /Go forward/, await above(page, /Repeat/));
	expect((await stepsOf(page))[0]).toBe('1 Step 1: Go forward 20 cm at 40 %');

	const pane = (await page.getByLabel('Trail', { exact: true }).first().boundingBox())!;
	await drag(page, /Tone/, { x: pane.x + pane.width / 2, y: pane.y + pane.height - 30 });
	const rows = await rowsOf(page);
	expect(rows).toContain('1 Not tied to a trigger, so it will not run.');
	expect(rows.at(-2)).toBe('1 Step 5: Tone 440 Hz for 0.5 s, wait for it');
	await drag(page, /Go forward/, await above(page, /Tone/));
	expect((await stepsOf(page)).slice(-2)).toEqual([
		'1 Step 4: Go forward 20 cm at 40 %',
		'1 Step 5: Tone 440 Hz for 0.5 s, wait for it'
	]);
	await page.getByRole('button', { name: 'Tie it to the lit chain' }).click();
	expect(await rowsOf(page)).not.toContain('1 Not tied to a trigger, so it will not run.');

	await drag(page, /Tone/, { x: 300, y: 400 });
	expect(await stepsOf(page)).toHaveLength(4);
	await page.getByRole('button', { name: 'Undo' }).click();
	expect(await stepsOf(page)).toHaveLength(5);
	const loop = await above(page, /Lamp coral/);
	await drag(page, /Repeat/, loop);
	expect(await stepsOf(page)).toHaveLength(5);
});

test('a rehearsal is played, slowed, scrubbed, halted, and its tone sounds', async ({ page }) => {
	await openPlan(page, [tone(500, 0.3), go(0.8), right(90)]);
	await page.evaluate(() => {
		const start = OscillatorNode.prototype.start;
		OscillatorNode.prototype.start = function (...when) {
			document.body.dataset.sounded = String(this.frequency.value);
			return start.apply(this, when);
		};
	});
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(page.locator('body')).toHaveAttribute('data-sounded', /.+/);
	await page.getByRole('button', { name: 'Halt' }).click();
	await expect(page.getByTestId('outcome')).toContainText(/Halted after \d+\.\d s\./);

	const scrub = page.getByRole('slider', { name: 'Time' });
	await scrub.fill('3');
	await expect(page.getByText(/^3\.0 of/)).toBeVisible();
	await expect(tag(page, /Step 2/).getByText('running now')).toBeAttached();
	const at = () => page.getByTestId('robot').getAttribute('transform');
	const before = await at();
	await scrub.press('ArrowRight');
	expect(await at()).not.toBe(before);

	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '0.25 ×' });
	await page.getByRole('button', { name: 'Play' }).click();
	await page.getByRole('button', { name: 'Pause' }).click();
	await expect(page.getByText(/^3\.\d of/)).toBeVisible();
});

test('the floor moves and zooms by keys and wheel', async ({ page }) => {
	await openPlan(page, [go(0.3)]);
	const floor = page.getByRole('img', { name: /Open quay, 2 by 1.5 metres/ });
	const drawn = floor.locator('> g');
	const first = await drawn.getAttribute('transform');
	await floor.focus();
	await page.keyboard.press('ArrowRight');
	await expect(drawn).not.toHaveAttribute('transform', first!);
	const moved = await drawn.getAttribute('transform');
	await page.keyboard.press('+');
	await expect(drawn).not.toHaveAttribute('transform', moved!);
	await page.keyboard.press('0');
	await expect(drawn).toHaveAttribute('transform', first!);
	await floor.hover();
	await page.mouse.wheel(0, -300);
	await expect(drawn).not.toHaveAttribute('transform', first!);
});
