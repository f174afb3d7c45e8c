import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { findChromium } from '../scripts/browser.mjs';
import { freePort } from './ports';

// Chosen once, then handed on to the workers, which read this file again.
process.env.TEST_PORT ??= String(await freePort());
process.env.TEST_YARD ??= String(await freePort());
const port = Number(process.env.TEST_PORT);
const data = join(tmpdir(), `lantern-step-e2e-${port}`);
const chromium = {
	executablePath: findChromium()!,
	args: [
		'--no-sandbox',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync',
		'--disable-gpu',
		// A microphone that hears a beep, and is allowed to.
		'--use-fake-device-for-media-stream',
		'--use-fake-ui-for-media-stream'
	]
};
const robots = '**/robots.spec.ts';
const desktop = { viewport: { width: 1280, height: 800 } };
const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

export default defineConfig({
	testDir: '.',
	outputDir: '../test-results',
	// Of what never comes: a busy machine is no reason to fail.
	timeout: 180_000,
	expect: { timeout: 15_000 },
	fullyParallel: false,
	// Two for two cores, and one that mostly waits for robots.
	workers: 3,
	reporter: 'list',
	use: { baseURL: `http://localhost:${port}`, launchOptions: chromium },
	projects: [
		// First, because a robot takes its time: all else goes on beside it.
		{ name: 'robots', testMatch: robots, use: desktop },
		{
			name: 'desktop',
			testMatch: '**/*.spec.ts',
			testIgnore: ['**/*.{phone,pictures}.spec.ts', robots],
			use: desktop
		},
		{ name: 'phone', testMatch: '**/*.phone.spec.ts', use: phone },
		{ name: 'pictures', testMatch: '**/*.pictures.spec.ts', use: desktop },
		{ name: 'speed', testDir: '../bench', testMatch: '**/*.speed.spec.ts', use: desktop }
	],
	webServer: {
		command: `node scripts/demo.mjs --fresh --port ${port} --yard ${process.env.TEST_YARD}`,
		cwd: join(import.meta.dirname, '..'),
		url: `http://localhost:${port}/`,
		timeout: 300_000,
		env: { LANTERN_DATA: data }
	}
});
