import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	test: { include: ['src/**/*.test.ts', 'tests/**/*.test.ts'], testTimeout: 60_000 }
});
