/** Each kind of robot: chosen on home, its almost right sample built and mended by hand, to the finish. */
import { expect, type Page } from '@playwright/test';
import { violations } from './axe';
import { readFile } from 'node:fs/promises';
import { go } from '../src/core/testing/sample';
import { isSaved, openPlan, stepsOf, tag } from './helpers';
import { test } from './test';

async function beginFor(page: Page, kind: string, course: string): Promise<void> {
	await page.goto('/');
	const name = page.getByLabel('Another name');
	if (await name.isVisible()) {
		await name.fill('Sanne');
		await page.getByRole('button', { name: "That's me" }).click();
	}
	await page.getByRole('button', { name: 'New plan for another robot' }).click();
	await page.getByRole('menuitem', { name: kind }).click();
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
	await page.getByRole('combobox', { name: 'Course' }).selectOption({ label: course });
	await page.getByRole('radio', { name: 'Further' }).check({ force: true });
}

async function type(page: Page, ...texts: string[]): Promise<void> {
	for (const text of texts) {
		await tag(page, 'Add a step').click();
		await page.getByRole('combobox', { name: 'Type' }).fill(text);
		await page.keyboard.press('Enter');
		await expect(page.getByRole('combobox', { name: 'Type' })).toHaveCount(0);
	}
}

async function rehearse(page: Page, button = 'Rehearse'): Promise<void> {
	await page.getByRole('button', { name: button, exact: true }).click();
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '8 ×' });
}

test('a ball that cuts corners is made to wait at each', async ({ page }) => {
	await beginFor(page, 'Bobbin', 'Harbour square');
	const far = (bearing: number) => `far 100 cm ${bearing}° 40 %`;
	await type(page, 'lamp amber', ...[0, 90, 180].map((bearing) => `${far(bearing)} go`), far(270));
	expect((await stepsOf(page))[2]).toBe('1 Step 3: Toward 90°: go 100 cm at 40 %, go on at once');
	await rehearse(page);
	const outcome = page.getByTestId('outcome');
	await expect(outcome).toContainText(/Ended \d+ cm from the finish ring/);
	for (let left = 3; left > 0; left--) {
		const waits = page.getByRole('button', { name: 'Wait until still first' });
		await expect(waits).toHaveCount(left);
		await waits.first().click();
		await rehearse(page, 'Rehearse again');
	}
	await expect(outcome).toHaveText(/Reached the finish in [\d.]+ s\./);
	await isSaved(page);
});

test('a ball shows a picture that was threaded by pointer and by keys', async ({ page }) => {
	await beginFor(page, 'Bobbin', 'Open quay');
	// Long enough to be seen, at the pace of a test.
	await type(page, 'picture', 'picture', 'wait 20', 'dark grid');
	await expect(page.getByText('Nobody will see this picture')).toBeVisible();
	const chip = page.getByRole('button', { name: /^Picture: / });
	await chip.nth(1).click();
	const grid = page.getByRole('grid');
	const lamp = (row: number, column: number) =>
		grid.getByRole('gridcell', { name: `row ${row}, lamp ${column}:` });
	await page.getByRole('button', { name: 'All dark' }).click();
	await page.getByLabel('left and right alike').check();
	await page.getByRole('button', { name: 'coral', exact: true }).click();
	await lamp(1, 1).hover();
	await page.mouse.down();
	await lamp(3, 1).hover();
	await page.mouse.up();
	await expect(lamp(1, 8)).toHaveAccessibleName(/coral/);
	// One stroke is one edit.
	await expect(chip.nth(1)).toHaveAccessibleName(/: 6 lamps/);
	await page.keyboard.press('Control+z');
	await expect(chip.nth(1)).toHaveAccessibleName(/: dark/);
	await lamp(1, 1).focus();
	for (const key of ['ArrowRight', 'ArrowDown', ' ']) await page.keyboard.press(key);
	await expect(lamp(2, 7)).toHaveAccessibleName(/coral/);
	expect(await violations(page)).toEqual([]);
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Put a short wait in' }).click();
	await expect(page.getByText('Nobody will see this picture')).toHaveCount(0);
	await rehearse(page);
	const shown = page.getByTestId('robot').locator('rect[fill="#ff6b5c"]');
	await expect(shown).toHaveCount(2);
	await expect(page.getByRole('button', { name: 'Rehearse again' })).toBeVisible();
	await expect(shown).toHaveCount(0);
});

test('a moving picture is woven for a Skiff with a panel, saved, and opened again', async ({
	page
}) => {
	await openPlan(page, [go(0.2)]);
	await page.getByRole('radio', { name: 'Further' }).check({ force: true });
	await type(page, 'film 3');
	await page.getByRole('button', { name: 'Fit it to the robot' }).click();
	await expect(page.getByText('This robot has no lamp grid')).toHaveCount(0);
	const chip = page.getByRole('button', { name: /^Moving picture: / });
	await chip.press('Enter');
	const strip = page.getByRole('radiogroup', { name: 'Cloths of the moving picture' });
	const cloth = strip.getByRole('radio');
	const beats = page.getByRole('spinbutton', { name: 'Beats' });
	await cloth.first().focus();
	await page.keyboard.press('ArrowRight');
	await expect(cloth.nth(1)).toBeChecked();
	await page.getByRole('button', { name: 'Another cloth like this' }).press('Enter');
	await expect(cloth.nth(2)).toBeChecked();
	await page.getByRole('button', { name: 'coral', exact: true }).press('Enter');
	await page.getByRole('gridcell', { name: 'row 1, lamp 1:' }).press(' ');
	await beats.fill('2.5');
	await beats.press('Enter');
	await expect(cloth.nth(2)).toHaveAccessibleName('cloth 3, 2.5 beats');
	expect(await violations(page)).toEqual([]);
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'GIF' }).click();
	const file = await (await saved).path();
	await page.getByRole('button', { name: 'Take this cloth out' }).click();
	await expect(cloth).toHaveCount(2);
	const asGif = { name: 'beacon.gif', mimeType: 'image/gif', buffer: await readFile(file) };
	await page.getByLabel('Open a file').setInputFiles(asGif);
	await expect(cloth).toHaveCount(3);
	await expect(cloth.nth(2)).toHaveAccessibleName('cloth 3, 2.5 beats');
	await page.getByLabel('Its name').fill('Beacon');
	await page.getByLabel('Its name').press('Enter');
	await page.getByRole('button', { name: 'Take this cloth out' }).click();
	await expect(cloth).toHaveCount(2);
	await page.getByRole('button', { name: /^Beacon, 3 cloths/ }).press('Enter');
	await expect(cloth).toHaveCount(3);
	await page.getByRole('button', { name: 'Take Beacon away from the shelf' }).click();
	await expect(page.getByRole('button', { name: /^Beacon/ })).toHaveCount(0);
	const torn = { ...asGif, buffer: asGif.buffer.subarray(0, 90) };
	await page.getByLabel('Open a file').setInputFiles(torn);
	await expect(page.getByText('beacon.gif was not opened: a GIF was expected')).toBeVisible();
	await page.keyboard.press('Escape');
	await rehearse(page);
	await expect(page.getByTestId('robot').locator('rect[fill="#ff6b5c"]')).toHaveCount(1);
	await isSaved(page);
});

test('a board that is wired the wrong way round is wired anew', async ({ page }) => {
	await beginFor(page, 'Peg', 'Rope quay');
	const settings = async (...wired: [pin: string, what: string][]) => {
		await page.getByRole('button', { name: /^Robot:/ }).click();
		for (const [pin, what] of wired) await page.getByLabel(pin).selectOption({ label: what });
		await page.keyboard.press('Escape');
	};
	await settings(['Pin 1', 'left back'], ['Pin 2', 'left forward']);
	await settings(['Pin 3', 'right back'], ['Pin 4', 'right forward']);
	await type(page, 'pin 5', 'time 5 100', 'pins off');
	await rehearse(page);
	const outcome = page.getByTestId('outcome');
	await expect(outcome).toContainText(/Ended \d+ cm from the finish ring/);
	await settings(['Pin 1', 'left forward'], ['Pin 2', 'left back']);
	await settings(['Pin 3', 'right forward'], ['Pin 4', 'right back']);
	await rehearse(page, 'Rehearse again');
	await expect(outcome).toHaveText(/Reached the finish in [\d.]+ s\./);
	await isSaved(page);
});

test('a face robot that turns too little to pass the store turns more', async ({ page }) => {
	await beginFor(page, 'Mimic', 'Round the net store');
	const turns = ['spin left 0.15 100', 'spin right 0.7 100'];
	await type(page, 'face glad', turns[0]!, 'time 3.4 100', turns[1]!, 'time 3 100');
	await rehearse(page);
	const outcome = page.getByTestId('outcome');
	await expect(outcome).toContainText(/Ended \d+ cm from the finish ring/);
	await page.getByRole('button', { name: 'Time: 0.15 s. Change' }).click();
	await page.getByRole('textbox', { name: 'Time' }).fill('0.4');
	await page.keyboard.press('Enter');
	await rehearse(page, 'Rehearse again');
	await expect(outcome).toHaveText(/Reached the finish in [\d.]+ s\./);
	await isSaved(page);
});

test('a drone that lands off its pad goes on a little further', async ({ page }) => {
	await beginFor(page, 'Petrel', 'Signal lamps');
	await page.getByLabel('How the robot behaves').selectOption({ label: 'Ideal' });
	const turn = 'turn right 90';
	await type(
		page,
		'take off',
		'lamp amber',
		'go 130',
		turn,
		'go 190',
		turn,
		'go 130',
		turn,
		'go 50'
	);
	// It would stay in the air; the checks say so a moment after the last step, at that step.
	const last = tag(page, 'Step 9: Go forward 50 cm at 40 %');
	await last.getByRole('button', { name: 'Land at the end' }).click();
	await expect(tag(page, 'Step 10: Land')).toBeVisible();
	await rehearse(page);
	const outcome = page.getByTestId('outcome');
	await expect(outcome).toContainText(/Ended \d+ cm from the finish ring/, { timeout: 15_000 });
	await expect(page.getByTestId('heights')).toContainText('0 cm');
	await page.getByRole('button', { name: 'Distance: 50 cm. Change' }).click();
	await page.getByRole('textbox', { name: 'Distance' }).fill('100');
	await page.keyboard.press('Enter');
	await rehearse(page, 'Rehearse again');
	await expect(outcome).toHaveText(/Reached the finish in [\d.]+ s\./, { timeout: 15_000 });
	await isSaved(page);
});

test('a rail car that derails takes its curve slower', async ({ page }) => {
	await beginFor(page, 'Trolley', 'Open quay');
	await page.getByLabel('How the robot behaves').selectOption({ label: 'Ideal' });
	await type(page, 'horn', 'time 3.6 100');
	await page.getByRole('button', { name: /problems?: show all/ }).click();
	await page.getByRole('button', { name: 'Take the sample course “Ferry rail”' }).click();
	await page.keyboard.press('Escape');
	await rehearse(page);
	const outcome = page.getByTestId('outcome');
	await expect(outcome).toContainText(/Derailed .* during step 2/);
	await page.getByRole('button', { name: 'Take the curve slower' }).click();
	await rehearse(page, 'Rehearse again');
	await expect(outcome).toHaveText(/Reached the finish in [\d.]+ s\./);
	await isSaved(page);
});
