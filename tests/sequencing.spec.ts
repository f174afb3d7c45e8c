import { expect, type Page } from '@playwright/test';
import { readingsOf } from '../src/core/robots/robot';
import { skiff } from '../src/core/robots/skiff';
import { go, lamp, repeat, right, step, wait } from '../src/core/testing/sample';
import { atLevel, isSaved, news, openPlan, rowsOf, stepsOf, tag } from './helpers';
import { test } from './test';

/** Opens the shelf at the end of the first chain and types. */
async function typeAtBud(page: Page, text: string, bud = tag(page, 'Add a step').first()) {
	await bud.click();
	await page.getByRole('combobox', { name: 'Type' }).fill(text);
}

test('a polygon of any number of sides by keyboard alone, with a variable', async ({ page }) => {
	await atLevel(page, 'full');
	await openPlan(page, []);
	const { keyboard } = page;
	await tag(page, 'When Run is pressed').focus();
	for (const typed of ['set sides 6', 'repeat 4', 'go 30', 'right 90']) {
		await keyboard.press('Enter');
		await expect(page.getByRole('combobox', { name: 'Type' })).toBeFocused();
		await keyboard.type(typed);
		await keyboard.press('Enter');
		await expect(page.getByRole('combobox', { name: 'Type' })).toHaveCount(0);
		await expect(page.locator('[role=treeitem]:focus')).toHaveCount(1);
	}
	const setExpression = async (chip: string, typed: string) => {
		for (let i = 0; i < 6; i++) {
			const at = await page.evaluate(() => (document.activeElement as HTMLElement).dataset.chip);
			if (at === chip) break;
			await keyboard.press('Tab');
		}
		await keyboard.press('Enter');
		await expect(page.locator('.at-tag').getByRole('textbox')).toBeFocused();
		await keyboard.type(typed);
		await keyboard.press('Enter');
		await expect(page.locator('.at-tag').getByRole('combobox')).toBeFocused();
		await keyboard.press('Enter');
		await expect(page.locator('.at-tag')).toBeHidden();
	};
	await setExpression('angle', '360 / sides');
	await tag(page, /^Step 2: Repeat/).focus();
	await setExpression('times', 'sides');
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Set sides to 6',
		'1 Step 2: Repeat sides times',
		'2 Step 3: Go forward 30 cm at 40 %',
		'2 Step 4: Turn right (360 ÷ sides)°'
	]);
	await keyboard.press('Control+Enter');
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '8 ×' });
	await expect(tag(page, /^Step 3/)).toContainText('6 × ');
});

test('what is half typed is kept by going elsewhere, and dropped by Escape', async ({ page }) => {
	const complaints: string[] = [];
	page.on('pageerror', (error) => complaints.push(error.message));
	page.on('console', (message) => {
		if (['error', 'warning'].includes(message.type())) complaints.push(message.text());
	});
	await atLevel(page, 'full');
	await openPlan(page, [
		step('go', { direction: 'forward', distance: 0.3, speed: 0.4 }),
		step('set', { variable: 'side', value: 1 }),
		step('melody', { notes: 'C4', tempo: 120, then: 'wait' })
	]);
	const field = page.locator('.at-tag input[data-first-focus]');
	const chip = (name: string) => page.locator(`[data-chip="${name}"]`).first();
	const type = async (name: string, text: string) => {
		await chip(name).click();
		await expect(field).toBeFocused();
		await field.fill(text);
	};
	// Each is left for the next.
	await type('notes', 'C4 D4');
	await type('value', '2 * 3');
	await type('variable', 'edge');
	await type('speed', '20 + 5');
	await type('distance', '77');
	await tag(page, /^Step 1/).click({ position: { x: 2, y: 2 } });
	await expect(page.locator('.at-tag')).toBeHidden();
	await tag(page, /^Step 1/).focus();
	await expect(tag(page, /^Step 1/)).toBeFocused();
	await page.keyboard.press('c');
	await expect(field).toBeFocused();
	await field.fill('to the lamp');
	await tag(page, 'When Run is pressed').getByText('When Run is pressed').click();
	await expect(page.locator('.comment')).toHaveText('to the lamp');
	const kept = [
		'1 Step 1: Go forward 77 cm at (20 + 5) %',
		'1 Step 2: Set edge to 2 × 3',
		'1 Step 3: Melody C4 D4 at 120 a minute, wait for it'
	];
	await expect.poll(() => stepsOf(page)).toEqual(kept);

	for (const [name, text] of [
		['distance', '12'],
		['variable', 'rim'],
		['value', '5'],
		['notes', 'G4']
	] as const) {
		await type(name, text);
		await page.keyboard.press('Escape');
		await expect(page.locator('.at-tag')).toBeHidden();
	}
	expect(await stepsOf(page)).toEqual(kept);
	expect(complaints).toEqual([]);
});

test('short-hand is tied in place, or changes nothing', async ({ page }) => {
	await openPlan(page, []);
	await typeAtBud(page, 'go 60; right 90; fly; x4');
	await expect(page.getByRole('alert')).toHaveText(
		/^“fly” was not understood. A step was expected here/
	);
	await page.keyboard.press('Enter');
	expect(await stepsOf(page)).toEqual([]);
	await page.getByRole('combobox', { name: 'Type' }).fill('go 60; right 90; x4');
	await page.keyboard.press('Enter');
	await expect(tag(page, /^Step 1/)).toBeFocused();
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Repeat 4 times',
		'2 Step 2: Go forward 60 cm at 40 %',
		'2 Step 3: Turn right 90°'
	]);
});

test('select, wrap, unwrap, duplicate, switch off, comment, fold, search, copy and paste', async ({
	page,
	context
}) => {
	await context.grantPermissions(['clipboard-read', 'clipboard-write']);
	await openPlan(page, [go(0.2), right(90), lamp('#ff6b5c'), repeat(2, [wait(0.5)])]);
	const { keyboard } = page;
	await tag(page, /^Step 1/).focus();
	await keyboard.press('Shift+ArrowDown');
	await expect(news(page)).toHaveText('2 steps selected.');
	await keyboard.press('w');
	await expect(tag(page, /^Step 1: Repeat 4 times/)).toBeFocused();
	expect((await stepsOf(page)).slice(0, 4)).toEqual([
		'1 Step 1: Repeat 4 times',
		'2 Step 2: Go forward 20 cm at 40 %',
		'2 Step 3: Turn right 90°',
		'1 Step 4: Lamp coral'
	]);
	await keyboard.press('d');
	expect(await stepsOf(page)).toHaveLength(9);
	await keyboard.press('u');
	expect(await stepsOf(page)).toHaveLength(8);
	await keyboard.press('Control+z');
	await keyboard.press('Control+z');

	await tag(page, /^Step 4/).focus();
	await keyboard.press('o');
	await expect(tag(page, 'Step 4: Lamp coral, off')).toBeFocused();
	await keyboard.press('c');
	await page.getByLabel('Comment').fill('for the harbour');
	await keyboard.press('Enter');
	await expect(page.getByText('for the harbour')).toBeVisible();
	await tag(page, /^Step 1/).focus();
	await keyboard.press('f');
	await expect(tag(page, /^Step 2/)).toHaveCount(0);
	await keyboard.press('/');
	await page.getByRole('searchbox').fill('turn');
	await keyboard.press('Enter');
	await expect(tag(page, /^Step 3: Turn/)).toBeVisible();
	await keyboard.press('Escape');
	await expect(tag(page, /^Step 3: Turn/)).toBeFocused();

	await keyboard.press('Control+c');
	await expect(news(page)).toHaveText('Copied: Turn right 90°.');
	await openPlan(page, [lamp('#4aa8ff')]);
	await tag(page, /^Step 1/).focus();
	await keyboard.press('Control+v');
	await expect(tag(page, 'Step 2: Turn right 90°')).toBeFocused();
	await page.evaluate(() => navigator.clipboard.writeText('go 10; wait 2'));
	await keyboard.press('Control+v');
	expect((await stepsOf(page)).slice(2)).toEqual([
		'1 Step 3: Go forward 10 cm at 40 %',
		'1 Step 4: Wait 2 s'
	]);
	await isSaved(page);
});

test('problems are said on the tag and in one list, and mended by a tap', async ({ page }) => {
	await atLevel(page, 'full');
	await openPlan(page, []);
	await typeAtBud(page, 'forever; go 20; log');
	await page.keyboard.press('Enter');
	const reached = page.getByText('This is never reached: the loop before it goes on forever.');
	await expect(reached).toBeVisible();
	await page.getByRole('button', { name: /problems?: show all/ }).click();
	const list = page.getByTestId('problems');
	await expect(list).toContainText('Step 1: Again and again');
	await list.getByRole('button', { name: 'Step 2: Go forward 20 cm at 40 %' }).click();
	await expect(tag(page, /^Step 2/)).toBeFocused();
	await page.getByRole('button', { name: 'Move it into the loop' }).first().click();
	await expect(reached).toHaveCount(0);
	expect((await stepsOf(page))[1]).toBe('2 Step 2: Go forward 20 cm at 40 %');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(reached).toBeVisible();

	// Another robot marks steps; it never deletes them.
	await page.getByRole('button', { name: /^Robot:/ }).click();
	await page.getByRole('radio', { name: /Skiff Lite/ }).check();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: /problems: show all/ }).click();
	await expect(list).toContainText('This robot cannot measure its way');
	expect(await stepsOf(page)).toHaveLength(3);
});

test('levels change the shelf, never the plan; a pinned shelf is dragged from; help shows', async ({
	page
}) => {
	await openPlan(page, [repeat(2, [go(0.2)])]);
	const before = await rowsOf(page);
	await page.getByRole('radio', { name: 'First' }).click();
	await expect(page.getByRole('option', { name: 'Turn left 90°' })).toBeVisible();
	await expect(page.getByRole('combobox', { name: 'Type' })).toHaveCount(0);
	await page.getByRole('radio', { name: 'Full' }).click();
	await page.getByRole('radio', { name: 'Further' }).click();
	expect(await rowsOf(page)).toEqual(before);

	await page.getByRole('button', { name: 'Keep the shelf open' }).click();
	const offer = (await page.getByRole('option', { name: /^Turn right/ }).boundingBox())!;
	const row = (await tag(page, /^Step 2/).boundingBox())!;
	await page.mouse.move(offer.x + 30, offer.y + 15);
	await page.mouse.down();
	await page.mouse.move(offer.x + 20, offer.y - 20, { steps: 3 });
	await page.mouse.move(row.x + 100, row.y + 6, { steps: 6 });
	await page.mouse.up();
	expect(await stepsOf(page)).toEqual([
		'1 Step 1: Repeat 2 times',
		'2 Step 2: Turn right 90°',
		'2 Step 3: Go forward 20 cm at 40 %'
	]);
	await tag(page, /^Step 2/).focus();
	await page.keyboard.press('h');
	await expect(page.getByTestId('help')).toContainText('Turns on the spot by the gyro');
	await expect(page.getByTestId('help').locator('polyline.trace')).toHaveCount(1);
	await page.keyboard.press('Escape');
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toContainText('Wrap in a repeat');
});

test('a saved plan becomes a routine; a hand touches the robot while it runs', async ({ page }) => {
	await atLevel(page, 'full');
	await openPlan(page, [wait(3)]);
	await tag(page, 'When Run is pressed').focus();
	await page.keyboard.press('n');
	await page.getByRole('button', { name: 'Take in a saved plan as a routine' }).click();
	await page.getByLabel('Find by name, owner, size or robot').fill('Carry the first');
	await page.getByRole('button', { name: /^Carry the first lamp/ }).click();
	await expect(tag(page, 'Routine Carry the first lamp, inputs none')).toBeVisible();
	await typeAtBud(page, 'carry');
	await page.keyboard.press('Enter');
	await expect(tag(page, 'Step 2: Carry the first lamp')).toBeVisible();

	await page.keyboard.press('n');
	await page.getByRole('combobox', { name: 'Type' }).fill('touch');
	await page.keyboard.press('Enter');
	await expect(page.locator('[role=treeitem]:focus')).toHaveCount(1);
	await page.keyboard.press('Enter');
	await page.getByRole('combobox', { name: 'Type' }).fill('log touched');
	await page.keyboard.press('Enter');
	await page.keyboard.press('Control+Enter');
	await page.getByRole('button', { name: 'Touch the robot' }).click();
	await expect(page.getByTestId('log')).toContainText('touched');
	await expect(page.getByRole('button', { name: 'Halt' })).toBeVisible();
});

test('every sensor has a figure while the robot runs, by the floor and in an expression', async ({
	page
}) => {
	await atLevel(page, 'full');
	await openPlan(page, [go(0.9, 0.4)]);
	await page.keyboard.press('Control+Enter');
	const figure = (reading: string) => page.locator(`dd[data-reading=${reading}]`);
	await expect(page.locator('dd[data-reading]')).toHaveCount(2);
	await page.getByRole('button', { name: 'All sensors' }).click();
	await expect(page.locator('dd[data-reading]')).toHaveCount(readingsOf(skiff).length);
	const early = Number.parseFloat(await figure('travelled').innerText());
	await expect
		.poll(async () => Number.parseFloat(await figure('travelled').innerText()))
		.toBeGreaterThan(early + 5);
	await expect(figure('distanceAhead')).toHaveText(/cm$/);

	await page.getByRole('button', { name: 'Halt' }).click();
	const shown = await figure('travelled').innerText();
	await page.getByRole('button', { name: /^Distance: 90 cm/ }).click();
	await page.getByRole('button', { name: 'Expression' }).click();
	await expect(page.getByRole('button', { name: `distance travelled ${shown}` })).toBeVisible();
});
