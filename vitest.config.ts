import { readdirSync, readFileSync } from 'node:fs';
import { defineConfig, mergeConfig } from 'vitest/config';
import app from './vite.config.ts';

const tests = ['src/**/*.test.ts', 'tests/**/*.test.ts'];

/** They put something in the place of a module, or of what all share: each has a room of its own. */
const replaces = /vi\.(mock|stub|useFake)|fake-indexeddb|globalThis\./;
const own = ['src', 'tests']
	.flatMap((room) => readdirSync(room, { recursive: true }).map((file) => `${room}/${file}`))
	.filter((file) => file.endsWith('.test.ts') && replaces.test(readFileSync(file, 'utf8')));

export default mergeConfig(
	app,
	defineConfig({
		test: {
			testTimeout: 60_000,
			// For two processors, and one that mostly waits: for robots, and for programs that it started.
			maxWorkers: 3,
			projects: [
				{ extends: true, test: { name: 'own', include: own } },
				// They share what they import: most of their time was that.
				{ extends: true, test: { name: 'shared', isolate: false, include: tests, exclude: own } }
			]
		}
	})
);
