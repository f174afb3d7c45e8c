/** What went wrong in an attempt is found under the floor, by mouse and by keyboard. */
import { readFile } from 'node:fs/promises';
import { expect } from '@playwright/test';
import { go, right } from '../src/core/testing/sample';
import { violations } from './axe';
import { atRest, openPlan, stepsOf, tag } from './helpers';
import { refineByHand } from './refine-by-hand';
import { test } from './test';

test('each leg says what it did of its own, and is shown near', async ({ page }) => {
	await openPlan(page, [go(0.5), right(90), go(0.4)]);
	await page.getByRole('button', { name: 'Legs', exact: true }).click();
	const leaf = page.getByRole('region', { name: /^Legs of/ });
	await expect(leaf).toContainText('Rehearse or run the plan');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	const legs = leaf.getByRole('row').filter({ has: page.locator('[data-leg]') });
	await expect(legs).toHaveCount(3);
	await expect(legs.nth(0)).toContainText('Go forward 50 cm at 40 %');
	await expect(page.getByText('intended', { exact: true })).toBeVisible();

	await legs
		.nth(0)
		.getByRole('button', { name: /Go forward/ })
		.focus();
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('Enter');
	await expect(legs.nth(1).getByRole('button', { pressed: true })).toBeFocused();
	await expect(page.getByTestId('ghost')).toBeVisible();
	const card = leaf.getByTestId('leg-card').getByRole('row');
	await expect(card.nth(1)).toHaveText(/^meant0 cm90° to the right/);
	await expect(card.nth(2)).toHaveText(/^really.*cm(8[5-9]|9[0-5])(\.\d)?° to the right/);
	await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
	await leaf.getByText('Shape: sides, corners, bends').click();
	await expect(leaf.getByRole('row', { name: /^Side, step 1 .* 50 cm/ })).toBeVisible();
	await expect(leaf.getByRole('row', { name: /^Corner, step 2 .* 90°/ })).toBeVisible();
	expect(await violations(page)).toEqual([]);

	await page.getByLabel('In which order').selectOption({ label: 'What cost most first' });
	await expect(legs).toHaveCount(3);
	await legs
		.nth(0)
		.getByRole('button', { name: /^Go to step/ })
		.click();
	await expect(tag(page, /^Step \d/).and(page.locator(':focus'))).toBeVisible();
	// From a tag to its leg.
	await tag(page, /^Step 1/)
		.getByTitle('What it did when it ran')
		.click();
	await expect(card.nth(1)).toHaveText(/^meant50 cm/);
	// Finding out is the lesson.
	await leaf.getByText('Helpers of this plan').click();
	await leaf.getByLabel('figures of legs').uncheck();
	await expect(leaf).toContainText('Switched off for this plan: figures of legs');
	await expect(legs).toHaveCount(0);
	await leaf.getByLabel('figures of legs').check();
	await expect(legs).toHaveCount(3);
	await leaf.getByRole('button', { name: 'Fold the legs away' }).click();
	await expect(leaf).toHaveCount(0);
	await expect(page.getByTestId('ghost')).toHaveCount(0);
});

test('what went wrong is found, mended, undone, mended by hand, and both are kept', async ({
	page
}) => {
	await refineByHand(page, (what) => what.click());
});

test('attempts are kept, named, pinned, sent to a file and had again', async ({
	page,
	browser
}) => {
	await openPlan(page, [go(0.5)]);
	const rehearse = page.getByRole('button', { name: 'Rehearse' });
	await rehearse.click();
	await page.getByRole('button', { name: 'Attempts', exact: true }).click();
	const leaf = page.getByRole('region', { name: 'Attempts' });
	const rows = leaf.getByRole('listitem');
	await expect(rows).toHaveCount(1);
	await rehearse.click();
	await expect(rows).toHaveCount(2);
	await page.reload();
	await page.getByRole('button', { name: 'Attempts', exact: true }).click();
	await expect(rows).toHaveCount(2);
	expect(await violations(page)).toEqual([]);

	await rows.nth(1).getByRole('button', { name: 'Name and note' }).click();
	await leaf.getByLabel('Name', { exact: true }).fill('The first');
	await page.keyboard.press('Enter');
	await expect(rows.nth(1)).toContainText('The first');
	await rows.nth(1).getByRole('button', { name: 'Keep it always' }).click();
	// Another device has them from the server.
	const other = await (await browser.newContext()).newPage();
	await other.goto(page.url());
	const theirs = other.getByRole('region', { name: 'Attempts' }).getByRole('listitem');
	await expect(async () => {
		await other.reload();
		await other.getByRole('button', { name: 'Attempts', exact: true }).click();
		await expect(theirs.filter({ hasText: 'The first' })).toHaveCount(1, { timeout: 2000 });
	}).toPass();
	await theirs.filter({ hasText: 'The first' }).locator('[data-attempt]').click();
	await expect(theirs.locator('[aria-current=true]')).toContainText('The first');
	await other.context().close();

	await leaf.getByLabel('Which of them').selectOption({ label: 'Pinned' });
	await expect(rows).toHaveCount(1);
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		rows.getByRole('button', { name: 'Save to a file' }).click()
	]);
	expect(download.suggestedFilename()).toBe('The first.attempt.json');
	await rows.getByRole('button', { name: 'Delete' }).click();
	await expect(rows).toHaveCount(0);
	await leaf.getByRole('button', { name: 'Undo' }).click();
	await expect(rows).toHaveCount(1);

	await leaf.getByLabel('Which of them').selectOption({ label: 'All of them' });
	await rows.nth(0).getByRole('button', { name: 'Lay it over the floor' }).click();
	await expect(page.getByTestId('laid')).toHaveText('A');
	await leaf.getByRole('button', { name: 'Compare A with the floor' }).click();
	const beside = leaf.getByRole('region', { name: 'A beside the one on the floor' });
	await expect(beside).toContainText('Their plans say the same.');
	await beside.getByRole('button', { name: 'How often does each arrive?' }).click();
	await expect(beside.getByRole('row', { name: 'how often it arrives' })).toContainText('of 100');
	expect(await violations(page)).toEqual([]);
	await beside.getByRole('button', { name: 'Keep this comparison' }).click();
	await beside.getByRole('button', { name: 'Close the comparison' }).click();
	await rows.nth(0).getByRole('button', { name: 'Take it off the floor' }).click();
	await leaf.getByRole('button', { name: /^Beside / }).click();
	await expect(beside.getByRole('button', { name: 'Do not keep this comparison' })).toBeVisible();
	await beside.getByRole('button', { name: 'Close the comparison' }).click();
	await rows.nth(0).getByRole('button', { name: 'Take it off the floor' }).click();
	await expect(page.getByTestId('laid')).toHaveCount(0);
	const shown = leaf.locator('[aria-current=true]');
	await rows.nth(0).locator('[data-attempt]').focus();
	await page.keyboard.press('ArrowDown');
	await expect(shown).toContainText('The first');
	await expect(page.getByTestId('outcome')).not.toBeEmpty();
	await page.getByTestId('attempt-file').setInputFiles(await download.path());
	await expect(leaf.getByRole('status')).toContainText('is kept here, pinned');
	await expect(rows).toHaveCount(3);
	await page.getByTestId('attempt-file').setInputFiles({
		name: 'torn.json',
		mimeType: 'application/json',
		buffer: Buffer.from('{"format": "lantern-step/attempt"')
	});
	await expect(leaf.getByRole('status')).toContainText(/torn\.json: .*Line 1.*Nothing was taken/);
});

test('an attempt is read over time, beside another, in a table and in a file', async ({ page }) => {
	await openPlan(page, [go(0.5), right(90)]);
	const rehearse = page.getByRole('button', { name: 'Rehearse' });
	await rehearse.click();
	await expect(page.getByTestId('outcome')).toContainText(/ended|Ended/);
	await page.getByRole('button', { name: 'Over time', exact: true }).click();
	const leaf = page.getByRole('region', { name: 'Over time' });
	const figure = (key: string) => leaf.locator(`[data-series="${key}"]`);
	const moment = leaf.getByRole('slider', { name: 'The moment that is shown' });
	await moment.focus();
	await page.keyboard.press('Home');
	await expect(figure('column.speed')).toHaveText('0 cm/s');
	await page.keyboard.press('PageUp');
	await page.keyboard.press('PageUp');
	await page.keyboard.press('PageUp');
	await expect(figure('column.speed')).toHaveText(/^[12]\d(\.\d)? cm\/s$/);
	await expect(moment).toHaveAttribute('aria-valuetext', /^1\.\d s, speed [12]\d/);
	await expect(tag(page, /^Step 1/)).toContainText('running now');
	expect(await violations(page)).toEqual([]);

	await leaf.getByText('Choose figures').click();
	await leaf.getByLabel('distance ahead').check();
	await leaf.getByLabel('bearing', { exact: true }).uncheck();
	await leaf.getByText('Choose figures').click();
	await leaf.getByRole('button', { name: 'As a table' }).click();
	await expect(leaf.getByRole('columnheader')).toHaveText(['When', 'speed', 'distance ahead']);
	await leaf.getByRole('button', { name: /step 2 begins/ }).click();
	await expect(tag(page, /^Step 2/)).toContainText('running now');
	// A press in the chart picks its moment as well.
	const box = (await moment.boundingBox())!;
	await page.mouse.click(box.x + box.width - 20, box.y + 60);
	await expect
		.poll(async () => Number(await moment.getAttribute('aria-valuenow')))
		.toBeGreaterThan(3);

	await leaf.getByRole('button', { name: 'Look nearer' }).click();
	await expect(leaf.getByRole('button', { name: 'Look from farther away' })).toBeEnabled();
	await leaf.getByText('Save to a file').click();
	await leaf.getByLabel('Written with').selectOption({ label: 'semicolons, 1,5' });
	const [table] = await Promise.all([
		page.waitForEvent('download'),
		leaf.getByRole('button', { name: 'Table (CSV)' }).click()
	]);
	expect(table.suggestedFilename()).toMatch(/Figures over time\.csv$/);
	const lines = (await readFile((await table.path())!, 'utf8')).split('\r\n');
	expect(lines[0]).toMatch(/^\ufefftime_s;x_m;y_m;bearing_deg;speed_mps;/);
	expect(lines[20]).toMatch(/^\d+,\d+;\d+,\d+;/);
	for (const what of ['chart', 'floor']) {
		const [picture] = await Promise.all([
			page.waitForEvent('download'),
			leaf.getByRole('button', { name: `Picture of the ${what} (PNG)` }).click()
		]);
		const bytes = await readFile((await picture.path())!);
		expect(bytes.toString('latin1', 1, 4)).toBe('PNG');
		expect(bytes.length).toBeGreaterThan(5000);
	}

	await rehearse.click();
	await leaf.getByLabel('Beside it').selectOption({ label: 'the attempt before (thin)' });
	await leaf.getByLabel('Both begin').selectOption({ label: 'at step 2' });
	await expect(leaf.getByLabel('Both begin').locator('option')).toHaveCount(3);
	await leaf.getByRole('button', { name: 'Fold the chart away' }).click();
	await expect(leaf).toHaveCount(0);
});

test('many rehearsals tell how sure a plan is, each can be seen, and an edit makes them old', async ({
	page
}) => {
	await openPlan(page, [go(0.5), right(90), go(0.4)]);
	await page.getByRole('button', { name: 'Spread', exact: true }).click();
	const leaf = page.getByRole('region', { name: 'Spread' });
	const again = leaf.getByRole('button', { name: 'Rehearse 200 times' });
	await expect(again).toBeVisible();
	await expect(page.getByTestId('spread').locator('[data-seed]')).toHaveCount(200);
	await expect(leaf.getByRole('row', { name: /Go forward 50 cm.* cm .*°/ })).toBeVisible();
	await expect(tag(page, /Go forward 50 cm/)).toContainText(/± \d/);
	expect(await violations(page, '.leaf')).toEqual([]);
	await leaf.getByRole('button', { name: 'Show the farthest off' }).click();
	await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();

	await tag(page, /Go forward 40 cm/).click();
	await page.keyboard.press('Delete');
	await expect(leaf.getByRole('status')).toContainText('another by now');
	await leaf.getByText('Helpers of this plan').click();
	await leaf.getByLabel('spread', { exact: true }).uncheck();
	await expect(leaf.getByRole('status')).toContainText('switched off here');
	await expect(page.locator('[data-seed]')).toHaveCount(0);
});

test('the end of a leg is pulled: numbers follow, in one edit, by hand and by keys', async ({
	page
}) => {
	await openPlan(page, [go(0.5), right(90), go(0.4)]);
	const before = await stepsOf(page);
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await page.getByRole('button', { name: 'Legs', exact: true }).click();
	const leaf = page.getByRole('region', { name: /^Legs of/ });
	await leaf.locator('[data-leg]').nth(2).click();
	const grip = page.getByTestId('nudge-grip');
	await atRest(grip);
	const { x, y, width, height } = (await grip.boundingBox())!;
	await page.mouse.move(x + width / 2, y + height / 2);
	await page.mouse.down();
	await page.mouse.move(x + width / 2 + 60, y + height / 2 - 50, { steps: 6 });
	await expect(page.getByTestId('nudged')).toBeVisible();
	await expect(leaf.getByRole('status')).toContainText(/It would be 2 · \d+°, 3 · \d+ cm/);
	await page.mouse.up();
	await expect.poll(() => stepsOf(page)).not.toEqual(before);
	await expect(page.getByTestId('nudged')).toHaveCount(0);
	await page.keyboard.press('Control+z');
	await expect.poll(() => stepsOf(page)).toEqual(before);

	await page.getByRole('button', { name: 'Rehearse' }).click();
	await page.getByRole('button', { name: 'Pause' }).click();
	await leaf.locator('[data-leg]').nth(1).click();
	await grip.focus();
	for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
	await expect(leaf.getByRole('status')).toContainText(/It would be 2 · 9\d°/);
	await page.keyboard.press('Escape');
	await expect(leaf.getByRole('status')).toContainText('Pull the ring');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('Enter');
	await expect(page.getByTestId('nudged')).toHaveCount(0);
});
