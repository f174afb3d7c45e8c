/** Moving pictures, recordings, faces and words: by touch, on a phone. */
import { expect, type Page } from '@playwright/test';
import { fullStep, go, planFor, planOf, step } from '../src/core/testing/sample';
import { ball } from '../src/core/robots/ball';
import { faceRobot } from '../src/core/robots/face';
import type { Plan } from '../src/core/plan/plan';
import { violations } from './axe';
import { isSaved, openPlan, save, tag } from './helpers';
import { test } from './test';

async function openAs(page: Page, plan: Plan): Promise<void> {
	const id = await openPlan(page, [go(0.1)]);
	await page.request.put(`/api/documents/${id}`, { data: save(plan, 1) });
	await page.reload();
	await page.getByRole('button', { name: 'Trail' }).tap();
}

test('a ball shows a moving picture that was threaded by a finger', async ({ page }) => {
	const roll = step('rollFar', { bearing: 0, distance: 0.6, speed: 0.3, then: 'waitStill' });
	await openAs(
		page,
		planFor(ball, planOf([fullStep('playPictures', { then: 'untilTold' }), roll]))
	);
	await page.getByRole('button', { name: /^Moving picture: 2/ }).tap();
	await page.getByRole('button', { name: 'Another cloth' }).tap();
	await page.getByRole('gridcell', { name: 'row 1, lamp 1:' }).tap();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: /^Moving picture: 3/ })).toBeVisible();
	await page.getByRole('button', { name: 'Rehearse' }).tap();
	await expect(page.getByTestId('robot').locator('rect').nth(1)).toBeVisible();
	await isSaved(page);
});

test('a sound is recorded by a finger', async ({ page }) => {
	await openPlan(page, [fullStep('clip')]);
	await page.getByRole('button', { name: 'Trail' }).tap();
	await page.getByRole('button', { name: 'Sound: bell. Change' }).tap();
	await page.getByRole('button', { name: 'Record' }).tap();
	await expect(page.getByText(/^[1-9]\.\d of 10 s$/)).toBeVisible();
	await page.getByRole('button', { name: 'Stop' }).tap();
	await page.getByRole('button', { name: 'Listen' }).tap();
	await page.getByRole('button', { name: 'Keep', exact: true }).tap();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: 'Sound: Sound 1. Change' })).toBeVisible();
	await isSaved(page);
});

/** Long enough to be seen. */
const sentence = 'Good evening to all who walk along the quay with a lamp';

test('Mimic has a face of its own, says a sentence, and starts on a word', async ({ page }) => {
	await openAs(page, planFor(faceRobot, planOf([])));
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
	expect(await violations(page)).toEqual([]);
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
