import { randomUUID } from 'node:crypto';
import { expect } from '@playwright/test';
import { courseOf, go, repeat, wall } from '../src/core/testing/sample';
import { violations } from './axe';
import { card, choose, openPlan, showAll, tag } from './helpers';
import { test } from './test';

test('plans are duplicated, renamed, deleted and brought back', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Piet', exact: true }).click();
	await choose(page, 'Net loft zigzag', 'Duplicate');
	await expect(card(page, 'Net loft zigzag (copy)')).toContainText('Piet');
	await choose(page, 'Net loft zigzag (copy)', 'Rename');
	await page.getByLabel('New name').fill('Net loft, my way');
	await page.keyboard.press('Enter');
	await expect(card(page, 'Net loft, my way')).toBeVisible();
	await choose(page, 'Net loft, my way', 'Delete');
	await expect(page.getByText('“Net loft, my way” was deleted.')).toBeVisible();
	await expect(card(page, 'Net loft, my way')).toHaveCount(0);
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(card(page, 'Net loft, my way')).toBeVisible();
	await page.getByLabel('Find by name, owner, size or robot').fill('my way');
	await expect(page.getByRole('article')).toHaveCount(1);
});

test('one sees everybody’s plans, one’s own, or those of somebody', async ({ page }) => {
	const owners = () => page.locator('article .owner').allTextContents();
	await page.goto('/');
	await page.getByRole('button', { name: 'Maren', exact: true }).click();
	await page.getByText('Mine', { exact: true }).click();
	await expect.poll(async () => new Set(await owners())).toEqual(new Set(['Maren']));
	await page.reload();
	await expect(page.getByRole('radio', { name: 'Mine' })).toBeChecked();
	await expect.poll(async () => new Set(await owners())).toEqual(new Set(['Maren']));
	await page.getByText('Everybody’s', { exact: true }).click();
	await page.getByRole('button', { name: 'Only those of Ode' }).first().click();
	await expect.poll(async () => new Set(await owners())).toEqual(new Set(['Ode']));
	await page.getByRole('radio', { name: 'Ode' }).press('ArrowLeft');
	await expect(page.getByRole('radio', { name: 'Samples' })).toBeChecked();
	await expect(card(page, 'Slanted reeds')).toBeVisible();
	await expect(page.getByRole('article').filter({ hasText: '(copy)' })).toHaveCount(0);
	await page.getByRole('radio', { name: 'Samples' }).press('ArrowLeft');
	await expect(page.getByRole('radio', { name: 'Mine' })).toBeChecked();
	await expect(page.locator('article time').first()).toHaveText(/just now|ago/);
});

test('a course with two walls in one place, one thicker, is drawn like any other', async ({
	page
}) => {
	const errors: string[] = [];
	page.on('pageerror', (error) => errors.push(String(error)));
	const walls = [wall([0.5, 1], [1.5, 1]), wall([0.5, 1], [1.5, 1], 0.05)];
	const content = courseOf({ name: 'Doubled wall', walls });
	const work = { kind: 'course', content };
	const answer = await page.request.put(`/api/documents/${randomUUID()}`, {
		data: { work, baseRevision: 0, saveId: randomUUID(), unanswered: [] }
	});
	expect(answer.ok()).toBe(true);
	await page.goto('/');
	const find = page.getByLabel('Find by name, owner, size or robot');
	await find.fill('Doubled wall');
	await expect(card(page, 'Reed maze')).toHaveCount(0);
	await expect(card(page, 'Doubled wall').locator('svg path').first()).toBeAttached();
	await find.fill('');
	// Whatever is newest by now.
	await expect(page.getByRole('article').nth(5)).toBeVisible();
	expect(errors).toEqual([]);
});

test('axe finds nothing in any view', async ({ page }) => {
	// A dozen scans, each of some seconds on a busy machine.
	test.setTimeout(400_000);
	await page.emulateMedia({ reducedMotion: 'reduce' });
	await page.goto('/');
	expect(await violations(page)).toEqual([]);
	await page.getByRole('button', { name: 'New plan for another robot' }).click();
	await expect(page.getByRole('menuitem', { name: 'Petrel' })).toBeVisible();
	expect(await violations(page, '[role=menu]'), 'kinds of robot').toEqual([]);
	await page.keyboard.press('Escape');
	await showAll(page);
	await page.getByRole('button', { name: 'More for Reed maze', exact: true }).click();
	await expect(page.getByRole('menu')).toBeVisible();
	expect(await violations(page, '[role=menu]')).toEqual([]);
	await page.getByRole('menuitem', { name: 'Rename' }).click();
	await expect(page.getByLabel('New name')).toBeFocused();
	expect(await violations(page, '[role=dialog]')).toEqual([]);
	await page.keyboard.press('Escape');
	// Far down a long page as well.
	await expect(page.getByRole('article')).not.toHaveCount(1);
	await page
		.getByRole('button', { name: /^More for/ })
		.last()
		.click();
	await page.getByRole('menuitem', { name: 'Rename' }).click();
	await expect(page.getByLabel('New name')).toBeFocused();
	expect(await violations(page)).toEqual([]);
	await page.goto('/plans/gone');
	await expect(page.getByRole('heading', { name: 'That did not work' })).toBeVisible();
	expect(await violations(page)).toEqual([]);

	await openPlan(page, [repeat(2, [go(0.6)])], 'reed-maze');
	expect(await violations(page)).toEqual([]);
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(tag(page, /Step 2/).getByText('running now')).toBeAttached();
	await page.getByRole('button', { name: 'Halt' }).click();
	expect(await violations(page)).toEqual([]);
	for (const chip of ['Direction: forward', 'Distance: 60 cm', 'Times: 2']) {
		await page.getByRole('button', { name: `${chip}. Change` }).click();
		await expect(page.getByRole('dialog')).toBeVisible();
		expect(await violations(page, '[role=dialog]'), chip).toEqual([]);
		await page.keyboard.press('Escape');
	}
	await tag(page, 'Add a step').click();
	await expect(page.getByRole('listbox')).toBeVisible();
	expect(await violations(page, '.at-tag')).toEqual([]);
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'More for step 2' }).click();
	await expect(page.getByRole('dialog')).toBeVisible();
	expect(await violations(page, '[role=dialog]')).toEqual([]);
});

test('axe finds nothing at any level, in sheets and editors', async ({ page }) => {
	test.setTimeout(400_000);
	await page.emulateMedia({ reducedMotion: 'reduce' });
	await page.goto('/plans/colours-on-the-quay');
	await page.getByRole('radio', { name: 'First' }).click();
	expect(await violations(page), 'First').toEqual([]);
	await page.getByRole('radio', { name: 'Full' }).click();
	await page.getByRole('button', { name: 'Keep the shelf open' }).click();
	expect(await violations(page), 'Full, shelf pinned').toEqual([]);
	await page.getByRole('button', { name: 'Keep the shelf open' }).click();

	const sheet = page.locator('.at-tag');
	const look = async (name: string) => {
		await expect(sheet).toBeVisible();
		expect(await violations(page, '.at-tag'), name).toEqual([]);
		await page.keyboard.press('Escape');
		await expect(sheet).toBeHidden();
	};
	await page.getByRole('button', { name: /^Until: floor colour = red/ }).click();
	await look('expression');
	await tag(page, /^Step 1/).focus();
	await page.keyboard.press('h');
	await look('help');
	await page.keyboard.press('n');
	await look('triggers');
	await page.keyboard.press('c');
	await look('comment');
	await tag(page, 'When Run is pressed').focus();
	await page.keyboard.press('Enter');
	await page.getByRole('combobox', { name: 'Type' }).fill('melody; forever; set n 3');
	await page.keyboard.press('Enter');
	for (const chip of ['notes', 'variable']) {
		await page.locator(`[data-chip=${chip}]`).first().click();
		await look(chip);
	}
	await page.getByRole('button', { name: /problems?: show all/ }).click();
	await look('problems');
	await page.getByRole('button', { name: /^Robot:/ }).click();
	expect(await violations(page), 'robot').toEqual([]);
	await page.keyboard.press('Escape');
	await tag(page, 'When Run is pressed').focus();
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeVisible();
	expect(await violations(page, '[role=dialog]'), 'shortcuts').toEqual([]);

	await page.goto('/plans/blinking-along-the-quay');
	await page.getByRole('button', { name: /^Robot:/ }).click();
	await expect(page.getByLabel('Pin 8')).toBeVisible();
	expect(await violations(page), 'pins').toEqual([]);
	await page.goto('/plans/four-signal-lamps');
	await expect(page.getByTestId('heights')).toBeVisible();
	expect(await violations(page), 'heights').toEqual([]);
});
