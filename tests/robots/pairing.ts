/** Pairing with the robots of the yard, and what is in its way. */
import { expect } from '@playwright/test';
import { violations } from '../axe';
import { comeIn, hand, look, robotCard, tellSigns } from '../yard';
import { test } from '../test';

export function pairing(): void {
	test('each thing that is in the way of pairing has its sentence and its remedy', async ({
		page
	}) => {
		await page.goto('/');
		await page.getByRole('link', { name: 'Robots' }).click();
		await expect(robotCard(page, 'tallow')).toBeVisible();
		await expect(
			page.getByRole('button', { name: 'Pair with Tallow', exact: true })
		).toBeDisabled();
		await page.getByRole('button', { name: 'Maren', exact: true }).click();

		await expect(robotCard(page, 'wick')).toContainText('Asleep. Tap it');
		await page.getByRole('button', { name: 'Pair with Wick', exact: true }).click();
		await expect(robotCard(page, 'wick')).toContainText('Wick is asleep. Tap it');
		await hand({ do: 'wake', robot: 'wick' });
		await robotCard(page, 'wick').getByRole('button', { name: 'Try again' }).click();
		await expect(robotCard(page, 'wick')).toContainText(/still starting: (\d|a) second/);

		await expect(robotCard(page, 'tallow-2')).toContainText('Ode has it');
		await robotCard(page, 'tallow-2').getByRole('button', { name: 'as soon as it can' }).click();
		await hand({ do: 'sendAway', robot: 'tallow-2' });
		await tellSigns(page, 'tallow-2');
		await expect(robotCard(page, 'tallow-2')).toContainText('Obeys you.');

		await expect(robotCard(page, 'ember-7')).toContainText('battery is empty');
		await page.getByRole('button', { name: 'Pair with Ember-7', exact: true }).click();
		await expect(robotCard(page, 'ember-7')).toContainText('The battery of Ember-7 is empty');

		await expect(robotCard(page, 'rushlight-2')).toContainText('firmware (0.9) is too old');
		await page.getByRole('button', { name: 'Pair with Rushlight 2', exact: true }).click();
		await expect(robotCard(page, 'rushlight-2')).toContainText(
			'The firmware of Rushlight 2 is too'
		);

		await expect(robotCard(page, 'wick-2')).toContainText(
			'Hardly heard from here. Bring it nearer.'
		);
		await page.getByRole('button', { name: 'Pair with Wick 2', exact: true }).click();
		await expect(robotCard(page, 'wick-2')).toContainText('Wick 2 is out of range', {
			timeout: 10_000
		});

		await expect(robotCard(page, 'vesper-2')).toHaveCount(0);
		await hand({ do: 'switchOn', robot: 'vesper-2' });
		await expect(robotCard(page, 'vesper-2')).toContainText('Still starting');
		await robotCard(page, 'vesper-2').getByRole('button', { name: 'as soon as it can' }).click();
		await expect(page.getByRole('dialog')).toContainText('Which signs does Vesper 2 show?', {
			timeout: 10_000
		});
		expect(await violations(page)).toEqual([]);
		await page.keyboard.press('Escape');
		await hand({ do: 'switchOff', robot: 'vesper-2' });
		await expect(robotCard(page, 'vesper-2')).toHaveCount(0, { timeout: 10_000 });

		await robotCard(page, 'tallow-2').getByRole('button', { name: 'More' }).click();
		await page.getByRole('menuitem', { name: 'Forget' }).click();
		await expect(robotCard(page, 'tallow-2')).toContainText('Ready to be paired');
	});

	test('wrong signs: new ones, and after three a hand is wanted', async ({ page }) => {
		await comeIn(page, 'Piet');
		await page.getByRole('button', { name: 'Pair with Vesper', exact: true }).click();
		const alert = page.getByRole('alert');
		for (let tries = 1; tries <= 3; tries++) {
			await tellSigns(page, 'vesper', 1);
			await expect(alert).toContainText('shows new ones now');
			await expect(page.getByRole('radio', { checked: true })).toHaveCount(0);
			await expect(page.getByRole('radio').first()).toBeFocused();
		}
		await expect(alert).toContainText('wants a hand');
		expect((await look('vesper')).with).toBeUndefined();
		await tellSigns(page, 'vesper');
		await expect(alert).toContainText('Now press the button of Vesper');
		// What was sealed may still be on its way to the robot.
		await expect(async () => {
			await hand({ do: 'push', robot: 'vesper', place: 1 });
			await expect(robotCard(page, 'vesper')).toContainText('Obeys you.', { timeout: 3000 });
		}).toPass();
		await page.getByRole('button', { name: 'More for Vesper', exact: true }).click();
		await page.getByRole('menuitem', { name: 'Forget' }).click();
		await expect.poll(async () => (await look('vesper')).with).toBeUndefined();
		// Who guesses has no new tries by that; a hand on its switch gives them back.
		await page.getByRole('button', { name: 'Pair with Vesper', exact: true }).click();
		await expect(alert).toContainText('wants a hand');
		// A dialog that has just come may not hear yet.
		await expect(async () => {
			await page.keyboard.press('Escape');
			await expect(page.getByRole('dialog')).toBeHidden({ timeout: 1000 });
		}).toPass();
		await hand({ do: 'switchOff', robot: 'vesper' });
		await hand({ do: 'switchOn', robot: 'vesper' });
		await expect(robotCard(page, 'vesper')).toContainText('Still starting');
		await expect(robotCard(page, 'vesper')).toContainText('Ready to be paired');
		await page.getByRole('button', { name: 'Pair with Vesper', exact: true }).click();
		await expect(page.getByRole('dialog')).toContainText('Which signs does Vesper show?');
		await expect(alert).not.toContainText('wants a hand');
		await page.keyboard.press('Escape');
	});

	test('pairing, renaming and letting go by keyboard alone', async ({ page }) => {
		await comeIn(page);
		const { keyboard } = page;
		await page.getByRole('button', { name: 'Pair with Ember-6', exact: true }).focus();
		await keyboard.press('Enter');
		await expect(page.getByRole('radio').first()).toBeFocused();
		const { signs } = await look('ember-6');
		// With the arrow keys, as any choice; the numbers do it as well.
		for (const sign of signs!) {
			await keyboard.press('Space');
			for (let at = 1; at < sign; at++) await keyboard.press('ArrowRight');
			await keyboard.press('Tab');
		}
		await keyboard.press('Tab');
		await expect(page.getByRole('button', { name: 'That is what it shows' })).toBeFocused();
		await keyboard.press('Enter');
		await expect(robotCard(page, 'ember-6')).toContainText('Obeys you.');
		expect((await look('ember-6')).with).toBe('Maren');
		const highlighted = page.getByRole('menu').locator('[data-highlighted]');
		await page.getByRole('button', { name: 'More for Ember-6' }).press('Enter');
		// The menu takes the keyboard one frame after it shows its first entry; its button has it until then.
		await expect(page.getByRole('menu')).toBeFocused();
		await expect(highlighted).toHaveText('Rename');
		await keyboard.press('Enter');
		await expect(page.getByLabel('New name of the robot')).toBeFocused();
		await keyboard.press('Control+a');
		await keyboard.type('Ember-8');
		await keyboard.press('Enter');
		await expect(robotCard(page, 'ember-6')).toContainText('Ember-8');
		await expect.poll(async () => (await look('ember-6')).name).toBe('Ember-8');
		await page.reload();
		await expect(robotCard(page, 'ember-6')).toContainText('Obeys you.');
		await page.getByRole('button', { name: 'More for Ember-8' }).press('Enter');
		await expect(page.getByRole('menu')).toBeFocused();
		await expect(highlighted).toHaveText('Rename');
		await keyboard.press('ArrowDown');
		await expect(highlighted).toHaveText('Let go');
		await keyboard.press('Enter');
		await expect.poll(async () => (await look('ember-6')).with).toBeUndefined();
		await expect(robotCard(page, 'ember-6')).toContainText('It needs no signs to come back.');
	});
}
