/** A face of one's own that says a sentence, and starts on a word: by touch, on a phone. */
import { expect } from '@playwright/test';
import { go, planFor, planOf } from '../src/core/testing/sample';
import { faceRobot } from '../src/core/robots/face';
import { isSaved, openPlan, save, tag } from './helpers';
import { test } from './test';

/** Long enough to be seen. */
const sentence = 'Good evening to all who walk along the quay with a lamp';

test('Mimic has a face of its own, says a sentence, and starts on a word', async ({ page }) => {
	const id = await openPlan(page, [go(0.1)]);
	await page.request.put(`/api/documents/${id}`, { data: save(planFor(faceRobot, planOf([])), 1) });
	await page.reload();
	await page.getByRole('button', { name: 'Trail' }).tap();
	const add = async (row: number, name: RegExp) => {
		await tag(page, 'Add a step').nth(row).tap();
		await page.getByRole('option', { name }).tap();
		await expect(page.getByRole('listbox')).toHaveCount(0);
	};
	await add(0, /^Wait 1 s/);
	await page.getByRole('button', { name: 'New chain' }).tap();
	await page.getByRole('option', { name: /^When it hears/ }).tap();
	await expect(page.getByRole('listbox')).toHaveCount(0);
	await add(1, /^Look/);
	await add(1, /^Say/);
	await page.getByRole('button', { name: 'Face: glad. Change' }).tap();
	await page.getByRole('gridcell', { name: 'row 15, lamp 2:' }).tap();
	await expect(page.getByRole('button', { name: 'Face: of one’s own. Change' })).toHaveCount(1);
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: /^What it says: / }).tap();
	const text = page.locator('.at-tag').getByRole('combobox');
	await text.fill(`"${sentence}"`);
	await text.press('Enter');
	await expect(tag(page, /Say “Good evening/)).toBeVisible();
	await isSaved(page);

	await page.getByRole('button', { name: 'Rehearse' }).tap();
	await page.getByRole('button', { name: '“ahoy”' }).tap();
	await expect(page.locator('.caption')).toHaveText(`Vesper: “${sentence}”`);
	await expect(page.getByTestId('robot').locator('rect').first()).toBeVisible();
});
