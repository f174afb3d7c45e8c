/** A robot is found out: run, marked where it really stands, and from then on rehearsed as it is. */
import { expect } from '@playwright/test';
import { go, right } from '../../src/core/testing/sample';
import { violations } from '../axe';
import { openPlan } from '../helpers';
import { comeIn, hand, isOver, look, pair, run, stands } from '../yard';
import { test } from '../test';

export function model(): void {
	test('it is found out from a run that was marked, used, switched off, and forgotten', async ({
		page
	}) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await openPlan(page, [go(0.5), right(90), go(0.5), right(90)]);
		await run(page);
		await isOver(page);
		await stands('tallow');
		const { at, bearing } = await look('tallow');
		await page.getByRole('button', { name: 'Where it stands' }).click();
		const truth = page.getByRole('region', { name: 'Where Tallow really stands' });
		await truth.getByLabel('From the left edge').fill((100 * at[0]).toFixed(1));
		await truth.getByLabel('From the left edge').blur();
		await truth.getByLabel('lower edge').fill((100 * at[1]).toFixed(1));
		await truth.getByLabel('lower edge').blur();
		await truth.getByLabel('front to').fill(bearing.toFixed(0));
		await truth.getByLabel('front to').blur();
		await truth.getByRole('button', { name: 'Mark it' }).click();
		await expect(truth.locator('[data-mark]')).toHaveCount(1);
		await page.getByRole('button', { name: 'Model' }).click();
		const leaf = page.getByRole('region', { name: 'What Tallow is like' });
		await leaf.getByRole('button', { name: 'Find out' }).click();
		await expect(leaf.getByText('Model of Tallow, from 1 run.')).toBeVisible({ timeout: 60_000 });
		await expect(leaf.locator('[data-run]')).toContainText('now');
		await expect(leaf.getByTestId('next-try')).toContainText(/What would tell most|No simple move/);
		expect(await violations(page)).toEqual([]);
		await page.getByRole('button', { name: 'Rehearse' }).click();
		await expect(page.getByText('model of Tallow, from 1 run', { exact: true })).toBeVisible();
		await leaf.getByLabel('use it in rehearsals').uncheck();
		await page.getByRole('button', { name: 'Halt' }).click();
		await page.getByRole('button', { name: 'Rehearse again' }).click();
		await expect(page.getByText('model of Tallow, from 1 run', { exact: true })).toBeHidden();
		await leaf.getByRole('button', { name: 'Forget it' }).click();
		await expect(leaf).toContainText('Forgotten.');
		await page.reload();
		await page.getByRole('button', { name: 'Model' }).click();
		await expect(leaf).toContainText('Nobody has measured Tallow yet');
	});
}
