import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';

const shared = {
	name: 'shared',
	// Of courses, a workbench knows only what is drawn and rehearsed.
	test: /src\/(core\/(?!link|live|course\/(?!course\.|mark|measure|rails|signs|surfaces|tape))|lib\/(?!live|robots|eye|home|help|course))|lucide|comlink/,
	minShareCount: 2
};

const tests = ['src/**/*.test.ts', 'tests/**/*.test.ts'];
const core = 'src/core/**/*.test.ts';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	// What several views share is one file: each small file of its own would cost more than what is in it.
	build: { rolldownOptions: { output: { codeSplitting: { groups: [shared] } } } },
	test: {
		testTimeout: 60_000,
		// Without it one processor would stand by.
		maxWorkers: '100%',
		projects: [
			// The core keeps nothing between two calls: its tests share what they import.
			{ extends: true, test: { name: 'core', isolate: false, include: [core] } },
			{ extends: true, test: { name: 'rest', include: tests, exclude: [core] } }
		]
	}
});
