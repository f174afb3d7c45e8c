/** What an earlier app kept on a device is sent to the server by today's. */
import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { tag } from '../helpers';
import { test } from '../test';

const draft = (name: string): unknown =>
	JSON.parse(readFileSync(new URL(`v1/drafts/${name}.json`, import.meta.url), 'utf8'));

test('drafts of version 1 are sent, and open', async ({ page, context }) => {
	// A page of the app would send them as soon as they are there.
	await page.goto('/api/documents?kind=plan');
	await page.evaluate(
		async (drafts) => {
			const opening = indexedDB.open('lantern-step', 1);
			opening.onupgradeneeded = () =>
				opening.result.createObjectStore('drafts', { keyPath: ['id', 'tab'] });
			await new Promise((done) => (opening.onsuccess = done));
			const transaction = opening.result.transaction('drafts', 'readwrite');
			for (const each of drafts) transaction.objectStore('drafts').put(each);
			await new Promise((done) => (transaction.oncomplete = done));
			opening.result.close();
		},
		[draft('itself'), draft('as-text'), draft('course')]
	);
	const later = await context.newPage();
	await later.goto('/');
	await expect(
		later.getByText('3 changes that were waiting on this device have been sent.')
	).toBeVisible();
	await expect(
		later.getByRole('article').filter({ hasText: 'A course of an early app' })
	).toHaveCount(1);
	await later.goto('/plans/draft-itself');
	await expect(tag(later, /Step 2: Go forward 40 cm/)).toBeVisible();
	await later.goto('/plans/draft-as-text');
	await expect(later.getByLabel('Name of the plan')).toHaveValue('A draft kept as text');
});
