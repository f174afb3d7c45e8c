/** A step of each sort, and every kind of trigger, is taken from its shelf and used. */
import { expect, type Page } from '@playwright/test';
import { definitionOf, stepKinds, triggerKinds } from '../src/core/steps/catalogue';
import { isExpression } from '../src/core/steps/definition';
import { wait } from '../src/core/testing/sample';
import words from '../src/core/steps/words.en.json' with { type: 'json' };
import { atLevel, atRest, isSaved, news, openPlan, tag } from './helpers';
import { test } from './test';

const wordOf = (key: string) => (words as Record<string, string>)[key]!;

/** The sort of a kind's first value: those of one sort have one editor. Empty where it has none. */
function sortOf(kind: string): string {
	const [slot] = Object.values(definitionOf(kind).values);
	if (!slot) return '';
	return `${slot.type} ${'quantity' in slot ? slot.quantity : 'of' in slot ? slot.of : ''}`;
}

/**
 * Changes the first value of the row under the keyboard, whatever its kind.
 *
 * @param tried what was changed so far: one of each sort is enough
 */
async function changeFirstValue(page: Page, kind: string, tried: Set<string>) {
	const sort = sortOf(kind);
	if (tried.has(sort)) return;
	tried.add(sort);
	if (sort === '') return;
	const chip = page.locator('[role=treeitem]:focus-within [data-chip]').first();
	const name = (await chip.getAttribute('data-chip'))!;
	const slot = definitionOf(kind).values[name]!;
	const before = await chip.innerText();
	await page.keyboard.press('e');
	const editor = page.locator('.at-tag');
	await expect(editor).toBeVisible();
	if (slot.type === 'choice') await editor.locator('button[aria-pressed=false]').first().click();
	else if (slot.type === 'colour') await editor.getByRole('button', { name: 'blue' }).click();
	else if (slot.type === 'face' || slot.type === 'clip') {
		await editor.locator('button[aria-pressed=false]').first().click();
		await page.keyboard.press('Escape');
	} else if (slot.type === 'film') {
		await editor.getByRole('button', { name: 'Another cloth' }).click();
		await page.keyboard.press('Escape');
	} else if (slot.type === 'picture') {
		await expect(editor.getByRole('gridcell').first()).toBeFocused();
		await page.keyboard.press(' ');
		await page.keyboard.press('Escape');
	} else {
		const isName = slot.type === 'name';
		const isPitch = slot.type === 'number' && slot.quantity === 'frequency';
		const isAsked = slot.type === 'condition' || isExpression(slot.initial as never);
		const typed =
			slot.type === 'notes'
				? 'D5:1/2'
				: isName
					? 'other'
					: isAsked
						? 'bumped'
						: isPitch
							? '660'
							: '3';
		const field = editor.getByRole('textbox').or(editor.getByRole('combobox')).first();
		if (slot.type === 'name' && slot.of === 'lampPost') {
			// A post's name can only be one that stands there: looked at, and left as it is.
			await expect(editor.locator(':focus')).toHaveCount(1);
			await page.keyboard.press('Escape');
			await expect(editor).toBeHidden();
			return expect(chip).toBeFocused();
		}
		await field.fill(typed);
		await page.keyboard.press('Enter');
	}
	await expect(editor).toBeHidden();
	await expect(chip).toBeFocused();
	expect(await chip.innerText(), kind).not.toBe(before);
}

test('a step of each sort is taken from the shelf, its value changed, and all rehearsed', async ({
	page
}) => {
	test.setTimeout(300_000);
	page.setDefaultTimeout(20_000);
	await atLevel(page, 'full');
	await openPlan(page, []);
	let last = tag(page, 'Add a step').first();
	const tried = new Set<string>();
	for (const { kind, isBranch, hasBody } of stepKinds) {
		if (isBranch || kind === 'call' || kind === 'end' || kind === 'leave') continue;
		if (!hasBody && tried.has(sortOf(kind))) continue;
		await last.focus();
		await page.keyboard.press('Enter');
		const name = wordOf(`step.${kind}.name`);
		await page.getByRole('combobox', { name: 'Type' }).fill(wordOf(`step.${kind}.typed`));
		// A list that has just become shorter comes to rest first.
		await atRest(page.locator('.at-tag'));
		await page.locator(`[id^="offer-${kind}-"]`).click();
		await expect(news(page), kind).toContainText('Added');
		if (definitionOf(kind).hasBody) {
			// The keyboard goes on inside; the step itself is a row up, or two above its first branch.
			await expect(page.locator('[role=treeitem]:focus')).toHaveCount(1);
			await page.keyboard.press('ArrowUp');
			if (definitionOf(kind).branches) await page.keyboard.press('ArrowUp');
		}
		await expect(
			page.locator('[role=treeitem]:focus [data-chip], [role=treeitem]:focus .tag')
		).not.toHaveCount(0);
		await changeFirstValue(page, kind, tried);
		last = page.locator('[role=treeitem]:focus-within').first();
		await expect(last, name).toBeVisible();
	}
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(page.getByRole('button', { name: 'Halt' })).toBeVisible();
	await isSaved(page);
});

test('every trigger starts a chain of its own', async ({ page }) => {
	await atLevel(page, 'full');
	await openPlan(page, [wait(0.2)]);
	await tag(page, 'When Run is pressed').focus();
	const tried = new Set<string>();
	for (const { kind } of triggerKinds) {
		await page.keyboard.press('n');
		await page.getByRole('combobox', { name: 'Type' }).fill(wordOf(`step.${kind}.typed`));
		await atRest(page.locator('.at-tag'));
		await page.locator(`[id^="offer-${kind}-"]`).click();
		await expect(page.getByRole('combobox', { name: 'Type' })).toHaveCount(0);
		await page.keyboard.press('ArrowUp');
		await changeFirstValue(page, kind, tried);
		await page.locator('[role=treeitem]:focus-within').focus();
	}
	await page.keyboard.press('r');
	await expect(page.getByTestId('outcome')).toContainText(/ended|Ended|Nothing/);
	await isSaved(page);
});
