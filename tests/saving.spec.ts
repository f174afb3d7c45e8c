import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { go, wait } from '../src/core/testing/sample';
import { isSaved, openPlan, stepsOf, tag } from './helpers';
import { test } from './test';

test('two tabs on one plan: the second is told, and both versions are kept', async ({
	page,
	context
}) => {
	await openPlan(page, [go(0.3)]);
	const other = await context.newPage();
	await other.goto(page.url());
	await tag(other, /Step 1/).focus();
	await tag(page, /Step 1/).focus();
	await page.keyboard.press('Delete');
	await isSaved(page);
	await other.getByRole('button', { name: 'Distance: 30 cm. Change' }).click();
	await other.getByRole('textbox', { name: 'Distance' }).fill('77');
	await other.keyboard.press('Enter');
	await expect(other.getByRole('alert')).toContainText('Quay there and back (second version)');
	await isSaved(other);
	await other.reload();
	await expect(other.getByLabel('Name of the plan')).toHaveValue(
		'Quay there and back (second version)'
	);
	expect(await stepsOf(other)).toEqual(['1 Step 1: Go forward 77 cm at 40 %']);
	await page.reload();
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
	expect(await stepsOf(page)).toEqual([]);
});

test('edits made while the server is away are kept, even over a closed tab, and sent later', async ({
	page,
	context
}) => {
	await openPlan(page, [go(0.3)]);
	const address = page.url();
	await context.route('**/api/**', (route) => route.abort());
	await tag(page, /Step 1/).focus();
	await page.keyboard.press('Delete');
	await expect(page.getByTestId('saved-state')).toHaveAttribute('data-state', 'kept');
	await page.reload();
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
	await expect.poll(() => stepsOf(page)).toEqual([]);
	await page.close();
	await context.unroute('**/api/**');

	const later = await context.newPage();
	await later.goto('/');
	await expect(later.getByText(/waiting on this device has been sent/)).toBeVisible();
	await later.goto(address);
	await expect(tag(later, 'When Run is pressed')).toBeVisible();
	expect(await stepsOf(later)).toEqual([]);
});

test('a plan opened again goes on with what a closed tab could not send', async ({
	page,
	context
}) => {
	await openPlan(page, [go(0.3)]);
	const address = page.url();
	await context.route('**/api/**', (route) =>
		route.request().method() === 'GET' ? route.continue() : route.abort()
	);
	await tag(page, /Step 1/).focus();
	await page.keyboard.press('Delete');
	await expect(page.getByTestId('saved-state')).toHaveAttribute('data-state', 'kept');
	await page.close();

	const later = await context.newPage();
	await later.goto(address);
	await expect(later.getByTestId('saved-state')).toHaveAttribute('data-state', 'kept');
	expect(await stepsOf(later)).toEqual([]);
	await context.unroute('**/api/**');
	await later.evaluate(() => dispatchEvent(new Event('online')));
	await isSaved(later);
});

test('reloaded in the very moment of an edit, nothing is lost', async ({ page, context }) => {
	await openPlan(page, [go(0.3)]);
	await context.route('**/api/**', (route) => route.abort());
	for (let steps = 2; steps <= 6; steps++) {
		await tag(page, /Step 1:/).focus();
		await page.evaluate(() => {
			const key = new KeyboardEvent('keydown', { key: 'd', bubbles: true });
			document.activeElement?.dispatchEvent(key);
			location.reload();
		});
		await expect(tag(page, new RegExp(`Step ${steps}:`))).toBeVisible();
	}
});

/** What browsers do to a page's storage: each is a script that runs before the page's own. */
const missing = () => {
	Object.defineProperty(globalThis, 'indexedDB', { value: undefined });
	Object.defineProperty(globalThis, 'localStorage', {
		get: () => {
			throw new DOMException('blocked', 'SecurityError');
		}
	});
};
const full = () => {
	const refuse = () => {
		throw new DOMException('full', 'QuotaExceededError');
	};
	Object.assign(IDBObjectStore.prototype, { put: refuse, add: refuse });
	Object.assign(Storage.prototype, { setItem: refuse });
};

for (const [name, broken] of Object.entries({ missing, full })) {
	test(`where the device's storage is ${name}, that is said, leaving asks, and a file is offered`, async ({
		page,
		context
	}) => {
		const errors: string[] = [];
		page.on('pageerror', (error) => errors.push(String(error)));
		await page.addInitScript(broken);
		await openPlan(page, [go(0.3)]);
		await context.route('**/api/**', (route) => route.abort());
		await tag(page, /Step 1/).focus();
		await page.keyboard.press('d');
		const state = page.getByTestId('saved-state');
		await expect(state).toHaveAttribute('data-state', 'unkept');
		await expect(state).toHaveText('Not kept yet');
		const asked = page.waitForEvent('dialog');
		const left = page.goto('/robots').catch(() => null);
		const dialog = await asked;
		expect(dialog.type()).toBe('beforeunload');
		await dialog.dismiss();
		await left;
		const loading = page.waitForEvent('download');
		await page.getByTestId('not-saved').getByRole('button', { name: 'Save to a file' }).click();
		const text = readFileSync(await (await loading).path(), 'utf8');
		expect((JSON.parse(text) as { chains: { steps: [] }[] }).chains[0]?.steps).toHaveLength(2);

		await context.unroute('**/api/**');
		await page.evaluate(() => dispatchEvent(new Event('online')));
		await isSaved(page);
		await expect(page.getByTestId('not-saved')).toHaveCount(0);
		await page.reload();
		await expect(tag(page, /Step 2:/)).toBeVisible();
		expect(errors).toEqual([]);
	});
}

test('a save whose answer was lost is not taken for somebody else’s', async ({ page, context }) => {
	await openPlan(page, [go(0.3), wait(1)]);
	let lost = 0;
	await context.route('**/api/documents/**', async (route) => {
		if (lost > 0) return route.continue();
		lost += 1;
		await route.fetch();
		return route.abort();
	});
	await tag(page, /Step 2/).focus();
	await page.keyboard.press('Delete');
	await expect(page.getByTestId('saved-state')).toHaveAttribute('data-state', 'kept');
	await page.keyboard.press('ArrowUp');
	await tag(page, /Step 1/).focus();
	await page.keyboard.press('Delete');
	await isSaved(page);
	await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a plan is saved to a file and opened from it; bad files change nothing', async ({ page }) => {
	await openPlan(page, [go(0.3)]);
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Save to a file' }).click()
	]);
	expect(download.suggestedFilename()).toBe('Quay there and back.plan.json');
	const good = readFileSync(await download.path(), 'utf8');
	await tag(page, /Step 1/).focus();
	await page.keyboard.press('Delete');

	const open = (text: string, name = 'reeds.json') =>
		page.getByTestId('plan-file').setInputFiles({
			name,
			mimeType: 'application/json',
			buffer: Buffer.from(text)
		});
	const bad: [string, RegExp][] = [
		[good.slice(0, 90), /Line \d+, column \d+: .*a whole JSON document was expected/],
		[
			good.replace('"version": 2', '"version": 9'),
			/version: version 2 was expected, but this is version 9/
		],
		[good.replace('"go"', '"leap"'), /chains\[0\]\.steps\[0\]\.kind: one of go, turn/],
		[
			good.replace('0.3', '300'),
			/chains\[0\]\.steps\[0\]\.values\.distance: at most 10 was expected/
		],
		[good.replace('"id"', '"__proto__": {}, "id"'), /"__proto__" is not allowed/],
		['['.repeat(40) + ']'.repeat(40), /nested more than 32 levels deep/],
		[`"${'x'.repeat(10 * 1024 * 1024)}"`, /larger than 2,097,152 bytes/]
	];
	for (const [text, sentence] of bad) {
		await open(text);
		await expect(page.getByRole('alert')).toContainText(sentence);
		await expect(page.getByRole('alert')).toContainText('Your plan is as it was.');
		expect(await stepsOf(page)).toEqual([]);
	}
	const markup = '<img src=x onerror="document.title=1">';
	await open(good.replace('"Quay there and back"', JSON.stringify(markup)));
	await expect(page.getByLabel('Name of the plan')).toHaveValue(markup);
	expect(await stepsOf(page)).toEqual(['1 Step 1: Go forward 30 cm at 40 %']);
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByLabel('Name of the plan')).toHaveValue('Quay there and back');
});

test('an attempt is not shown again on a course that has changed since', async ({ page }) => {
	const sample = JSON.parse(readFileSync('samples/courses/open-quay.json', 'utf8')) as object;
	const content = { ...sample, name: 'Quay under repair' };
	const put = async (course: object, baseRevision: number) => {
		const work = { kind: 'course', content: course };
		const data = { work, baseRevision, saveId: randomUUID(), unanswered: [] };
		expect((await page.request.put(`/api/documents/${id}`, { data })).ok()).toBe(true);
	};
	const id = randomUUID();
	await put(content, 0);
	await openPlan(page, [go(0.3)], id);
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(page.getByTestId('outcome')).toContainText('Ended');
	await isSaved(page);
	await page.reload();
	await expect(page.getByTestId('outcome')).toContainText('Ended');
	await put({ ...content, finish: null }, 1);
	await page.reload();
	await expect(page.getByTestId('outcome')).toContainText('The course has changed');
	await expect(page.locator('polyline.trace')).toHaveCount(0);
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(page.locator('polyline.trace')).toHaveCount(1);
});
