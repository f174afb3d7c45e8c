import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	compilerOptions: { runes: true },
	kit: {
		adapter: adapter(),
		typescript: {
			config: (config) => {
				config.include.push('../bench/**/*.ts', '../vitest.config.ts');
				// As the configurations import each other.
				config.compilerOptions.allowImportingTsExtensions = true;
				// Plain script for the browser, and no part of the app.
				config.exclude.push('../src/standin/page', '../src/lib/recording/tape.worklet.js');
			}
		},
		alias: { $core: 'src/core', $workers: 'src/workers', $messages: 'src/messages' },
		csp: {
			mode: 'auto',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				'style-src': ['self', 'unsafe-inline'],
				'img-src': ['self', 'data:', 'blob:'],
				'worker-src': ['self', 'blob:'],
				'object-src': ['none'],
				'base-uri': ['self'],
				'frame-ancestors': ['none']
			}
		}
	}
};
