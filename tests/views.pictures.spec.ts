/** Takes the pictures of docs/screenshots from the demo data. Run with `npm run pictures`. */
import { expect, test, type Page } from '@playwright/test';
import { tag } from './helpers';

const shot = (page: Page, name: string) =>
	page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });

async function open(page: Page, plan: string) {
	await page.goto(`/plans/${plan}`);
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
}

async function rehearse(page: Page, speed: string) {
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: speed });
	await page.getByRole('button', { name: /Rehearse/ }).click();
	await expect(page.getByRole('button', { name: 'Halt' })).toBeVisible();
}

test('home', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Maren', exact: true }).click();
	await expect(page.getByRole('button', { name: 'Here: Maren' })).toBeVisible();
	await shot(page, 'home');
});

test('workbench at rest, running, and with its sheets', async ({ page }) => {
	await open(page, 'lock-keepers-square');
	await shot(page, 'workbench');
	await rehearse(page, '4 ×');
	await expect(page.getByText(/^1[0-9]\.\d of/)).toBeVisible();
	await shot(page, 'workbench-running');
	await page.getByRole('button', { name: 'Halt' }).click();
	await page.getByRole('button', { name: 'Angle: 90°. Change' }).click();
	await expect(page.getByRole('textbox', { name: 'Angle' })).toBeFocused();
	await shot(page, 'value-editor');
	await page.keyboard.press('Escape');
	await tag(page, 'Add a step').first().click();
	await page.getByRole('combobox', { name: 'Type' }).fill('go 60');
	await shot(page, 'shelf');
});

test('after a wall, light and dark', async ({ page }) => {
	await open(page, 'reed-maze-outer');
	for (let round = 0; round < 2; round++) {
		await rehearse(page, '8 ×');
		await expect(page.getByTestId('outcome')).toContainText('Stopped against a wall');
	}
	await shot(page, 'after-a-wall');
	await page.emulateMedia({ colorScheme: 'dark' });
	await shot(page, 'after-a-wall-dark');
});

test('on a phone', async ({ page }) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await open(page, 'reed-maze-inner');
	await shot(page, 'phone-trail');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '8 ×' });
	await expect(page.getByTestId('outcome')).toContainText('Reached the finish');
	await shot(page, 'phone-floor');
});
