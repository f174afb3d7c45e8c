/** The way of somebody who finds out what went wrong: the same by mouse and by finger, wide and narrow. */
import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page } from '@playwright/test';
import { fullStep, go, right } from '../src/core/testing/sample';
import { isSaved, openPlan, stepsOf } from './helpers';

export async function refineByHand(
	page: Page,
	press: (what: Locator) => Promise<void>
): Promise<void> {
	const fast = { duration: 1, speed: 1, ending: 'coast', then: 'goOn' };
	await openPlan(page, [fullStep('goFor', fast), right(90), go(0.3)]);
	const button = (name: string | RegExp) => page.getByRole('button', { name });
	const leafOf = async (name: string) => press(page.getByRole('button', { name, exact: true }));
	/** On a phone one of both is seen. */
	const turnTo = async (pane: 'Floor' | 'Trail') => {
		const tab = page.getByRole('button', { name: pane, exact: true });
		if (await tab.isVisible()) await press(tab);
	};
	const steps = async () => {
		await turnTo('Trail');
		const seen = await stepsOf(page);
		await turnTo('Floor');
		return seen;
	};
	const before = await steps();
	const rehearse = button('Rehearse');
	await press(rehearse);
	// The leg is found by its sentence, mended, and as it was again.
	await leafOf('Legs');
	const legs = page.getByRole('region', { name: /^Legs of/ });
	const turn = legs.getByRole('row').filter({ hasText: 'Turn right' });
	await expect(turn).toContainText('It was still rolling when this turn began');
	const mend = turn.getByRole('button', { name: 'Stand still first' });
	await press(mend);
	await expect(mend).toHaveCount(0);
	expect(await steps()).not.toEqual(before);
	await press(button('Undo'));
	await expect.poll(steps).toEqual(before);
	await expect(mend).toBeVisible();
	// It is seen over time that it still rolled.
	await leafOf('Over time');
	const chart = page.getByRole('region', { name: 'Over time' });
	await press(chart.getByRole('button', { name: 'As a table' }));
	await press(chart.getByRole('button', { name: /step 2 begins/ }));
	await expect(chart.locator('[data-series="column.speed"]')).toHaveText(/^\d\d(\.\d)? cm\/s$/);
	// The attempt stays; the plan is mended by hand; both lie over each other.
	await leafOf('Attempts');
	const attempts = page.getByRole('region', { name: 'Attempts' }).getByRole('listitem');
	await expect(attempts.first()).toBeVisible();
	await press(attempts.first().getByRole('button', { name: 'Keep it always' }));
	await turnTo('Trail');
	await press(button(/: go on at once. Change/));
	await press(page.locator('.at-tag').getByRole('button', { name: 'wait until still' }));
	await page.keyboard.press('Escape');
	await isSaved(page);
	await turnTo('Floor');
	const count = await attempts.count();
	await press(rehearse);
	await expect(attempts).toHaveCount(count + 1);
	await press(attempts.nth(1).getByRole('button', { name: 'Lay it over the floor' }));
	await expect(page.getByTestId('laid')).toHaveText('A');
	const [file] = await Promise.all([
		page.waitForEvent('download'),
		press(attempts.nth(1).getByRole('button', { name: 'Save to a file' }))
	]);
	expect(JSON.parse(await readFile(await file.path(), 'utf8')).format).toBe('lantern-step/attempt');
	await leafOf('Legs');
	await expect(turn).toBeVisible();
	await expect(turn).not.toContainText('still rolling');
}
