/**
 * The same attempts in the browser's own worker and in Node: engines may round `Math.sin` and its
 * like differently, and then a seed would mean another run on another machine.
 */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { buildSync } from 'esbuild';
import { readPins } from './pins/pins';
import { pinnedRehearsals } from './pins/rehearsals';

const root = join(import.meta.dirname, '..');
const workers = '_app/immutable/workers';

/** Defines `fingerprintOf` for the page, which gets the attempts from the worker as the app does. */
const fingerprint = buildSync({
	entryPoints: [join(root, 'src/core/simulation/fingerprint.ts')],
	bundle: true,
	format: 'iife',
	globalName: 'fingerprints',
	write: false
}).outputFiles[0]!.text;

test("the app's worker gives the bytes that Node gives", async ({ page }) => {
	const worker = readdirSync(join(root, 'build/client', workers)).find((name) =>
		/^rehearse-.*\.js$/.test(name)
	);
	await page.goto('/');
	await page.evaluate(`${fingerprint}; globalThis.fingerprints = fingerprints`);
	const found = await page.evaluate(
		async ([url, rehearsals]) => {
			const service = new Worker(url, { type: 'module' });
			const { fingerprintOf } = (globalThis as never)['fingerprints'] as {
				fingerprintOf: (attempt: unknown) => string;
			};
			const found: Record<string, string> = {};
			for (const [name, value] of Object.entries(rehearsals)) {
				const answer = new Promise<MessageEvent>((done) => (service.onmessage = done));
				// The form in which comlink asks for a call.
				service.postMessage({
					id: name,
					type: 'APPLY',
					path: ['rehearse'],
					argumentList: [{ type: 'RAW', value }]
				});
				found[name] = fingerprintOf((await answer).data.value);
			}
			service.terminate();
			return found;
		},
		[`/${workers}/${worker}`, pinnedRehearsals()] as const
	);
	expect(found).toEqual(readPins().attempts);
});
