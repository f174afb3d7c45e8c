import { randomUUID } from 'node:crypto';
import { expect, type Locator, type Page } from '@playwright/test';
import type { Plan, Step } from '../src/core/plan/plan';
import { planOf } from '../src/core/testing/sample';

export const save = (plan: Plan, baseRevision = 0, saveId: string = randomUUID()) => ({
	work: { kind: 'plan', content: plan },
	baseRevision,
	saveId,
	unanswered: []
});

/** Puts a plan of these steps on the server and opens its workbench. @returns its id */
export async function openPlan(
	page: Page,
	steps: readonly Step[],
	course = 'open-quay'
): Promise<string> {
	const id = randomUUID();
	const bench = { courseId: course, variation: 'classroom', attempts: [] };
	const answer = await page.request.put(`/api/documents/${id}`, {
		data: { ...save(planOf(steps, 'Quay there and back')), bench }
	});
	expect(answer.ok()).toBe(true);
	await page.goto(`/plans/${id}`);
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
	return id;
}

export const tag = (page: Page, name: string | RegExp) =>
	page.getByRole('treeitem', { name, exact: typeof name === 'string' });

/** The rows that are drawn, from top to bottom, each as "level name". */
export const rowsOf = (page: Page): Promise<string[]> =>
	page.getByRole('treeitem').evaluateAll((rows) =>
		rows
			.map((row) => ({
				top: row.getBoundingClientRect().top,
				text: `${row.getAttribute('aria-level')} ${row.getAttribute('aria-label')}`
			}))
			.sort((a, b) => a.top - b.top)
			.map(({ text }) => text)
	);

export const stepsOf = async (page: Page): Promise<string[]> =>
	(await rowsOf(page)).filter((row) => row.includes('Step '));

export const isSaved = (page: Page) =>
	expect(page.getByTestId('saved-state')).toHaveAttribute('data-state', 'saved');

/** What has just changed has come to rest: it looks alike twice in a row. */
export async function isSteady(look: () => Promise<unknown>): Promise<void> {
	let before = '';
	const isSame = async () => {
		const now = JSON.stringify(await look());
		const isAlike = now === before;
		before = now;
		return isAlike;
	};
	await expect.poll(isSame, { intervals: [100] }).toBe(true);
}

/** Its size and place have come to rest. */
export const atRest = (what: Locator): Promise<void> => isSteady(() => what.boundingBox());

export const news = (page: Page) => page.getByTestId('announcement');

/** All cards of the home page, which brings the newest of each list. */
export async function showAll(page: Page): Promise<void> {
	await expect(page.getByRole('article')).not.toHaveCount(0);
	const more = page.getByRole('button', { name: /^Show more/ });
	// A page that has just come may not hear yet.
	await expect(async () => {
		if ((await more.count()) > 0) await more.first().click({ timeout: 1000 });
		await expect(more).toHaveCount(0, { timeout: 5000 });
	}).toPass({ timeout: 40_000 });
}

/** The card of a plan or course on the home page. */
export const card = (page: Page, name: string) =>
	page.getByRole('article').filter({ hasText: name }).first();

/** Something from the menu of a card. */
export async function choose(page: Page, name: string, action: string): Promise<void> {
	await showAll(page);
	await page
		.getByRole('button', { name: `More for ${name}`, exact: true })
		.first()
		.click();
	await page.getByRole('menuitem', { name: action }).click();
}

/** @param more other choices of the person */
export const atLevel = (page: Page, level: string, more = {}) =>
	page.addInitScript(
		(choices) => localStorage.setItem('lantern-step.preferences', JSON.stringify(choices)),
		{ level, ...more }
	);
