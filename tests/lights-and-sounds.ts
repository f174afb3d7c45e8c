/** Moving pictures, recordings, faces and words, by whatever hand. */
import { expect, type Locator, type Page } from '@playwright/test';
import { fullStep, go, planFor, planOf, step, wait } from '../src/core/testing/sample';
import { ball } from '../src/core/robots/ball';
import { faceRobot } from '../src/core/robots/face';
import type { Plan } from '../src/core/plan/plan';
import { violations } from './axe';
import { atLevel, isSaved, openPlan, save, tag } from './helpers';
import { test } from './test';

/** Presses what it is shown. */
export type Press = (what: Locator) => Promise<void>;

export const byMouse: Press = (what) => what.click();
export const byTouch: Press = (what) => what.tap();
export async function byKeys(what: Locator): Promise<void> {
	await what.focus();
	await what.press((await what.getAttribute('role')) === 'gridcell' ? ' ' : 'Enter');
}

/** On a phone the trail lies behind the floor. */
export async function showTrail(page: Page, press: Press): Promise<void> {
	const pane = page.getByRole('button', { name: 'Trail', exact: true });
	if (await pane.isVisible()) await press(pane);
}

async function openAs(page: Page, plan: Plan, press: Press): Promise<void> {
	await atLevel(page, 'further');
	const id = await openPlan(page, [go(0.1)]);
	await page.request.put(`/api/documents/${id}`, { data: save(plan, 1) });
	await page.reload();
	await expect(tag(page, 'When Run is pressed')).toHaveCount(1);
	await showTrail(page, press);
}

/** Long enough to be seen. */
const sentence = 'Good evening to all who walk along the quay with a lamp';

export function lightsAndSounds(press: Press): void {
	test('a ball shows a moving picture that was threaded', async ({ page }) => {
		const roll = step('rollFar', { bearing: 0, distance: 0.6, speed: 0.3, then: 'waitStill' });
		const plays = fullStep('playPictures', { then: 'untilTold' });
		await openAs(page, planFor(ball, planOf([plays, roll])), press);
		await press(page.getByRole('button', { name: /^Moving picture: 2/ }));
		await press(page.getByRole('button', { name: 'Another cloth' }));
		await press(page.getByRole('gridcell', { name: 'row 1, lamp 1:' }));
		await page.keyboard.press('Escape');
		await expect(page.getByRole('button', { name: /^Moving picture: 3/ })).toBeVisible();
		await press(page.getByRole('button', { name: 'Rehearse', exact: true }));
		await expect(page.getByTestId('robot').locator('rect').nth(1)).toBeVisible();
		await isSaved(page);
	});

	test('a sound is recorded', async ({ page }) => {
		await openPlan(page, [fullStep('clip')]);
		await showTrail(page, press);
		await press(page.getByRole('button', { name: 'Sound: bell. Change' }));
		await press(page.getByRole('button', { name: 'Record' }));
		await expect(page.getByText(/^[1-9]\.\d of 10 s$/)).toBeVisible();
		for (const name of ['Stop', 'Listen', 'Keep'])
			await press(page.getByRole('button', { name, exact: true }));
		await page.keyboard.press('Escape');
		await expect(page.getByRole('button', { name: 'Sound: Sound 1. Change' })).toBeVisible();
		await isSaved(page);
	});

	test('Mimic has a face of its own, says a sentence, and starts on a word', async ({ page }) => {
		await openAs(page, planFor(faceRobot, planOf([wait(20)])), press);
		const choose = async (typed: string, name: RegExp) => {
			if (press === byKeys) {
				await page.getByRole('combobox', { name: 'Type' }).fill(typed);
				await page.keyboard.press('Enter');
			} else await press(page.getByRole('option', { name }));
			await expect(page.getByRole('listbox')).toHaveCount(0);
		};
		const add = async (row: number, typed: string, name: RegExp) => {
			await press(tag(page, 'Add a step').nth(row));
			await choose(typed, name);
		};
		await press(page.getByRole('button', { name: 'New chain' }));
		await choose('when it hears ahoy', /^When it hears/);
		await add(1, 'face', /^Look/);
		await add(1, 'say', /^Say/);
		await press(page.getByRole('button', { name: 'Face: glad. Change' }));
		await press(page.getByRole('gridcell', { name: 'row 15, lamp 2:' }));
		expect(await violations(page)).toEqual([]);
		await expect(page.getByRole('button', { name: 'Face: of one’s own. Change' })).toHaveCount(1);
		await page.keyboard.press('Escape');
		await press(page.getByRole('button', { name: /^What it says: / }));
		const text = page.locator('.at-tag').getByRole('combobox');
		await text.fill(`"${sentence}"`);
		await text.press('Enter');
		await expect(tag(page, /Say “Good evening/)).toBeVisible();
		await isSaved(page);

		await press(page.getByRole('button', { name: 'Rehearse', exact: true }));
		await press(page.getByRole('button', { name: '“ahoy”' }));
		await expect(page.locator('.caption')).toHaveText(`Vesper: “${sentence}”`);
		await expect(page.getByTestId('robot').locator('rect').first()).toBeVisible();
	});
}
