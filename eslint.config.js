import importX from 'eslint-plugin-import-x';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import { floors, layers } from './scripts/floors.mjs';
import svelteConfig from './svelte.config.js';

/** Packages that src/core may use: small, pure, no clock, no network. */
const corePackages = [
	'ml-levenberg-marquardt',
	'ml-matrix',
	'zod',
	'pure-rand',
	'jsep',
	'fast-xml-parser',
	'svgpath',
	'@cantoo/pdf-lib',
	'fontkit',
	'flatbush',
	'flatqueue',
	'colord',
	'fflate',
	'fast-png',
	'midi-file',
	'omggif',
	'@noble/curves',
	'@noble/hashes'
];

/** Functions that the language leaves to the engine. */
const engineFunctions = [
	...['sin', 'cos', 'tan', 'asin', 'acos', 'atan', 'atan2', 'sinh', 'cosh', 'tanh', 'hypot'],
	...['exp', 'expm1', 'log', 'log1p', 'log2', 'log10', 'pow', 'cbrt']
];

const engineBits = 'Engines differ in its last bits: use src/core/exact.ts.';

const importsOnly = (packages) => [
	'error',
	{
		patterns: [
			{
				regex: `^(?!\\.{1,2}/|(${packages.join('|')})(/|$))`,
				message: `src/core imports only itself and ${packages.join(', ')}.`
			}
		]
	}
];

/** Where arrows may not point: `from` may not be imported in `target`. */
const borders = [
	{
		target: './src/core',
		from: './src',
		except: ['./core'],
		message: 'src/core imports only src/core.'
	},
	{
		target: './src/standin',
		from: './src',
		except: ['./core', './standin'],
		message: 'A yard stands apart from the app: it imports src/core alone.'
	},
	{
		target: './src/workers',
		from: './src',
		except: ['./core', './workers', './lib/i18n'],
		message: 'A worker entry wraps src/core; what it writes for people, it writes with messages.'
	},
	{
		target: './src/cli',
		from: './src',
		except: ['./core', './cli', './lib/i18n'],
		message: 'The mission runner needs no server and no interface.'
	},
	{
		target: './src/lib',
		from: './src/routes',
		message: 'Arrows point inward: routes -> lib -> core.'
	}
];

/** @param folders of a room of src, from the lowest up */
const storeysOf = (room, folders) =>
	folders.flatMap((lower, index) =>
		folders.slice(index + 1).map((higher) => ({
			target: `./src/${room}/${lower}`,
			from: `./src/${room}/${higher}`,
			message: `${room}/${lower} stands below ${room}/${higher}.`
		}))
	);

const libBorders = [
	...storeysOf('lib', floors),
	{
		target: './src/lib/!(*.test).ts',
		from: `./src/lib/!(i18n)/**`,
		message: 'A root file of src/lib stands below its folders.'
	},
	{
		target: './src/lib/server',
		from: './src/lib',
		except: ['./server', './i18n', './saving', './lists/summary.ts'],
		message: 'The server shares with the interface the protocol of saving, and words.'
	},
	{
		target: './src/lib/!(server)/**',
		from: './src/lib/server',
		message: 'The interface asks the server by its routes.'
	}
];

export default ts.config(
	{ ignores: ['build/', '.svelte-kit/', 'node_modules/', 'data/', 'test-results/'] },
	...ts.configs.recommended,
	...svelte.configs.recommended,
	prettier,
	...svelte.configs.prettier,
	{
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		plugins: { 'import-x': importX },
		settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
		rules: {
			'no-undef': 'off',
			'import-x/no-restricted-paths': ['error', { zones: [...borders, ...libBorders] }],
			'@typescript-eslint/consistent-type-imports': 'error'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig }
		},
		rules: { 'svelte/no-navigation-without-resolve': 'off' }
	},
	{
		files: ['src/{lib,workers}/**/*.{ts,svelte}'],
		ignores: ['**/*.test.ts', 'src/lib/server/**'],
		rules: {
			'no-restricted-properties': [
				'error',
				{
					object: 'crypto',
					property: 'randomUUID',
					message: 'It is missing where a school serves without a certificate: saving/id makes ids.'
				}
			]
		}
	},
	{
		files: ['src/core/**/*.ts'],
		ignores: ['**/*.test.ts'],
		rules: {
			'import-x/no-restricted-paths': [
				'error',
				{ zones: [...borders, ...storeysOf('core', layers)] }
			],
			'no-restricted-imports': importsOnly(corePackages),
			'no-restricted-globals': [
				'error',
				'window',
				'document',
				'process',
				'performance',
				'setTimeout',
				'fetch',
				'crypto'
			],
			'no-restricted-properties': [
				'error',
				{ object: 'Math', property: 'random', message: 'Use the seeded generator.' },
				{ object: 'Date', property: 'now', message: 'Time is virtual in src/core.' },
				...engineFunctions.map((property) => ({ object: 'Math', property, message: engineBits }))
			],
			'no-restricted-syntax': [
				'error',
				{ selector: "NewExpression[callee.name='Date']", message: 'Time is virtual in src/core.' },
				{ selector: "BinaryExpression[operator='**']", message: engineBits }
			]
		}
	},
	{
		files: ['src/core/world/planck/*.ts'],
		rules: { 'no-restricted-imports': importsOnly(['planck']), 'no-restricted-properties': 'off' }
	}
);
