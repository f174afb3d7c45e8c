/** What went wrong in an attempt is found under the floor, by mouse and by keyboard. */
import { expect, test } from '@playwright/test';
import { go, right } from '../src/core/testing/sample';
import { violations } from './axe';
import { openPlan, tag } from './helpers';

test('each leg says what it did of its own, and is shown near', async ({ page }) => {
	await openPlan(page, [go(0.5), right(90), go(0.4)]);
	await page.getByRole('button', { name: 'Legs', exact: true }).click();
	const leaf = page.getByRole('region', { name: /^Legs of/ });
	await expect(leaf).toContainText('Rehearse or run the plan');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	const legs = leaf.getByRole('row').filter({ has: page.locator('[data-leg]') });
	await expect(legs).toHaveCount(3);
	await expect(legs.nth(0)).toContainText('Go forward 50 cm at 40 %');
	await expect(page.getByText('intended')).toBeVisible();

	await legs
		.nth(0)
		.getByRole('button', { name: /Go forward/ })
		.focus();
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('Enter');
	await expect(legs.nth(1).getByRole('button', { pressed: true })).toBeFocused();
	await expect(page.getByTestId('ghost')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
	expect(await violations(page)).toEqual([]);

	await page.getByLabel('In which order').selectOption({ label: 'What cost most first' });
	await expect(legs).toHaveCount(3);
	await legs
		.nth(0)
		.getByRole('button', { name: /^Go to step/ })
		.click();
	await expect(tag(page, /^Step \d/).and(page.locator(':focus'))).toBeVisible();
	await leaf.getByRole('button', { name: 'Fold the legs away' }).click();
	await expect(leaf).toHaveCount(0);
	await expect(page.getByTestId('ghost')).toHaveCount(0);
});
