import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

/**
 * What several views share lies in a few files, by floors: each small file of its own would cost more
 * than what is in it, and one for all would bring home what only a desk needs.
 */
const floors = Object.entries({
	workers: /node_modules\/comlink\//,
	frame:
		/node_modules\/(svelte|@sveltejs|intl-messageformat|idb)\/|@lucide\/svelte|@zag-js\/(svelte|dom-query|types|anatomy|core|utils)\/|core\/(sentence|robots\/first-kind)|preload-helper|skeleton-svelte\/dist\/(internal|components\/locale-provider)|@zag-js\/focus-visible|lib\/(i18n\/(?!refusals)|ui\/(?!TitledDialog|drag|time|Moment)|people\/(?!WhoIsHere)|lists\/(lists|summary)|[^/]+$|saving\/(?!answers|protocol|save|send-save))/,
	schemas: /node_modules\/zod\/|core\/document\./,
	popovers:
		/@zag-js\/(popover|popper|dismissable)|@floating-ui|skeleton-svelte\/dist\/components\/(popover|portal)/,
	dialogs: /@zag-js|@skeletonlabs/,
	robots:
		/core\/(robots\/(?!first-kind)|steps\/(?!words|help)|devices|expressions\/(?!typing|evaluate)|plan\/(?!edits|places|variables))|lib\/words\/(format|measures|reader)/,
	words: /lib\/words\/(?!step-help)|core\/(steps\/words|devices\/.*words)/,
	desk: /lib\/(desk|timeline\/(?!sound)|floor\/(?!picture)|files\/downloads)|core\/course\/(?!editing|svg)/
}).map(([name, test], index) => ({
	name,
	test,
	minShareCount: 2,
	priority: 9 - index,
	// What is opened later than a view itself is no part of these.
	tags: ['$initial' as const]
}));

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	build: {
		reportCompressedSize: false,
		rolldownOptions: { output: { codeSplitting: { groups: floors } } }
	}
});
