import { expect, type Page } from '@playwright/test';
import { isSaved, news, openPlan, tag } from './helpers';
import { test } from './test';

const robotMenu = (page: Page, name: string) =>
	page.getByRole('button', { name: new RegExp(`${name}, Skiff`) });

async function add(page: Page, bud: number, typed: string) {
	await tag(page, 'Add a step').nth(bud).click();
	await page.getByRole('combobox', { name: 'Type' }).fill(typed);
	await page.keyboard.press('Enter');
	await expect(news(page)).toContainText('Added');
}

test('a plan for two robots is built from nothing, rehearsed, and found again', async ({
	page
}) => {
	await openPlan(page, []);
	await add(page, 0, 'go 20');
	await robotMenu(page, 'Tallow').click();
	await page.getByRole('button', { name: 'One more robot' }).click();
	await expect(news(page)).toContainText('Ember-6 joined the plan.');
	await expect(page.getByRole('radio', { name: 'Ember-6' })).toBeChecked();
	await page.keyboard.press('Escape');
	await expect(page.getByTestId('robot')).toBeVisible();
	await expect(page.getByTestId('robot-robot2')).toBeVisible();

	await page.getByRole('button', { name: 'New chain' }).click();
	await page.getByRole('option', { name: /^When Run is pressed/ }).click();
	await page.keyboard.press('Escape');
	await add(page, 1, 'go 30');
	await page
		.getByRole('combobox', { name: 'Tallow runs this chain.' })
		.nth(1)
		.selectOption('Ember-6');
	await expect(news(page)).toContainText('Ember-6 runs this chain now.');

	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '8 ×' });
	await page.getByRole('button', { name: /Rehearse/ }).click();
	await expect(page.getByTestId('outcome')).toContainText(/Ended \d+ cm from/);
	await expect(page.locator('polyline.trace')).toHaveCount(2);
	await expect(page.getByText('Readings of Ember-6')).toBeVisible();
	// By keyboard: whose figures are shown.
	const lane = page.getByRole('button', { name: 'Tallow', exact: true });
	await lane.focus();
	await page.keyboard.press('Enter');
	await expect(lane).toHaveAttribute('aria-pressed', 'true');
	await expect(page.getByText('Readings of Tallow')).toBeVisible();

	await isSaved(page);
	await page.reload();
	await expect(page.locator('polyline.trace')).toHaveCount(2);
	await expect(page.getByRole('combobox', { name: 'Ember-6 runs this chain.' })).toHaveValue(
		'robot2'
	);

	await robotMenu(page, 'Tallow').click();
	await page.getByRole('radio', { name: 'Ember-6' }).check();
	await page.getByRole('button', { name: 'Take Ember-6 out' }).click();
	await page.keyboard.press('Escape');
	await expect(page.getByTestId('robot-robot2')).toHaveCount(0);
	await expect(page.getByRole('combobox', { name: /runs this chain/ })).toHaveCount(0);
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('combobox', { name: 'Ember-6 runs this chain.' })).toHaveCount(1);
});

test('a hand touches the robot that is clicked', async ({ page }) => {
	await page.goto('/plans/lamp-over-the-lock');
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
	await page.getByRole('button', { name: /Rehearse/ }).click();
	// It plays: before that, while it is worked out, there is nothing to touch.
	await expect(page.locator('.scrub')).not.toHaveValue('0');
	await page.getByTestId('robot-robot2').click();
	await expect(news(page)).toContainText('touch');
	await expect(page.getByTestId('outcome')).toContainText('Reached the finish', {
		timeout: 20_000
	});
});
