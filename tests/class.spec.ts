/** What a class meets: many plans, versions, deleted plans, an address without a certificate. */
import { readFileSync } from 'node:fs';
import { chromium, expect } from '@playwright/test';
import { findChromium } from '../scripts/browser.mjs';
import { go, planOf, wait } from '../src/core/testing/sample';
import { shownAtFirst, shownMore } from '../src/lib/home/lists';
import { card, choose, isSaved, openPlan, save, stepsOf, tag } from './helpers';
import { Server } from './soak/server';
import { test } from './test';

const samples = JSON.parse(readFileSync('samples/index.json', 'utf8')) as {
	plans: unknown[];
	courses: unknown[];
};

test('an earlier version is looked at, and gone back to', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Ode', exact: true }).click();
	const id = await openPlan(page, [go(0.3), wait(2)]);
	await page.getByLabel('Name of the plan').fill('Quay in two ways');
	await page.keyboard.press('Enter');
	await tag(page, /Step 1/).focus();
	await page.keyboard.press('Delete');
	await page.keyboard.press('Delete');
	await isSaved(page);
	expect(await stepsOf(page)).toEqual([]);

	await page.goto('/');
	await choose(page, 'Quay in two ways', 'Versions');
	const dialog = page.getByRole('dialog');
	await expect(dialog).toContainText('newest hundred');
	const goBack = dialog.getByRole('button', { name: 'Go back to this one' });
	await expect(goBack).toBeDisabled();
	await dialog
		.getByRole('button', { name: /2 steps/ })
		.last()
		.click();
	await expect(page.getByTestId('version-look')).toContainText('Go forward 30 cm');
	await goBack.click();
	await expect(page.getByText('is again as it was then')).toBeVisible();
	await page.goto(`/plans/${id}`);
	await expect(tag(page, /Step 1/)).toBeVisible();
	expect(await stepsOf(page)).toHaveLength(2);
});

test('what was deleted of late is brought back from its own list', async ({ page }) => {
	await page.goto('/');
	await choose(page, 'Along the reeds', 'Delete');
	await expect(page.getByText('It can be brought back for thirty days')).toBeVisible();
	await page.reload();
	// Tests beside this one save plans as well: it may not be among the newest.
	await page.getByLabel('Find by name, owner, size or robot').fill('Along the reeds');
	await expect(card(page, 'Along the reeds')).toHaveCount(0);
	await page.getByRole('button', { name: 'Deleted of late' }).click();
	const back = page.getByRole('button', { name: 'Bring back Along the reeds' });
	await back.click();
	await expect(card(page, 'Along the reeds')).toBeVisible();
	// Whatever else is on the list was deleted by the tests beside this one.
	await expect(back).toHaveCount(0);
});

test('a thousand plans: a small page at once, all of them when they are sought', async ({
	page
}) => {
	test.setTimeout(400_000);
	const server = await Server.start(true);
	try {
		for (let i = 0; i < 1000; i += 20) {
			const some = Array.from({ length: 20 }, (_, k) => {
				const plan = planOf([wait(1)], `Lamp ${i + k}`);
				return server.send('PUT', `/api/documents/lamp-${i + k}`, save(plan));
			});
			await Promise.all(some);
		}
		const { text } = await server.get('/');
		console.log(`Home with 1,000 plans more: ${Math.round(text.length / 1024)} kB`);
		expect(text.length).toBeLessThan(60 * 1024);
		await page.goto(server.address);
		await page.getByRole('button', { name: 'Show more' }).first().click();
		const courses = Math.min(shownAtFirst, samples.courses.length);
		await expect(page.getByRole('article')).toHaveCount(shownAtFirst + shownMore + courses);
		await page.getByLabel('Find by name, owner, size or robot').fill('Lamp 7');
		await expect(page.getByRole('article')).toHaveCount(111);
		await page.getByLabel('Find by name, owner, size or robot').fill('Lamp 777');
		await expect(page.getByRole('article')).toHaveCount(1);

		await page.goto(`${server.address}/courses/open-quay`);
		await page.getByRole('button', { name: 'Try a plan here' }).click();
		const plans = page.getByRole('combobox', { name: 'Plan to try' });
		await plans.selectOption({ label: 'Another plan…' });
		const finder = page.getByRole('dialog');
		await finder.getByRole('searchbox').fill('Lamp 777');
		await finder.getByRole('button', { name: /^Lamp 777/ }).click();
		await expect(plans).toHaveValue('lamp-777');
	} finally {
		await server.end();
	}
});

test('without a certificate, 200 edits and ten times "All plans" make no second version', async () => {
	test.setTimeout(400_000);
	const server = await Server.start(true, ['--name', 'harbour.test']);
	const { port } = new URL(server.address);
	const browser = await chromium.launch({
		executablePath: findChromium()!,
		args: ['--no-sandbox', '--host-resolver-rules=MAP harbour.test 127.0.0.1']
	});
	try {
		const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
		await page.goto(`http://harbour.test:${port}/`);
		expect(await page.evaluate(() => 'locks' in navigator)).toBe(false);
		for (let round = 0; round < 10; round++) {
			await page.getByRole('link', { name: 'Carry the first lamp', exact: true }).click();
			await tag(page, /Step 1:/).focus();
			for (let edit = 0; edit < 20; edit++) await page.keyboard.press('d');
			await page.getByRole('link', { name: 'All plans' }).click();
			await expect(card(page, 'Carry the first lamp')).toBeVisible();
		}
		await page.getByRole('link', { name: 'Carry the first lamp', exact: true }).click();
		await isSaved(page);
		const { text } = await server.get('/api/documents?kind=plan');
		const { rows } = JSON.parse(text) as { rows: { name: string }[] };
		const names = rows.map(({ name }) => name);
		expect(names.filter((name) => name.includes('Carry the first lamp'))).toHaveLength(1);
		expect(names).toHaveLength(samples.plans.length);
	} finally {
		await browser.close();
		await server.end();
	}
});
