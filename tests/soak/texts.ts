/** Hostile texts, by generator: the same seed gives the same ones. */
import { readFileSync } from 'node:fs';
import * as fc from 'fast-check';

const index = JSON.parse(readFileSync('samples/index.json', 'utf8')) as {
	plans: { file: string }[];
	courses: { file: string }[];
};
const samples = [
	...index.plans.map(({ file }) => `samples/plans/${file}.json`),
	...index.courses.map(({ file }) => `samples/courses/${file}.json`)
].map((file) => ({ file, text: readFileSync(file, 'utf8') }));

/** Things that have no place anywhere. */
const oddities: readonly unknown[] = [
	null,
	true,
	-1,
	1e308,
	2 ** 53,
	'',
	'\0',
	'\ud800',
	'@outcome.fell',
	'<img src=x onerror=alert(1)>',
	'{count, plural, other {#}}',
	'{',
	'x'.repeat(3000),
	'\u202e\u200b',
	[],
	{},
	{ expression: '('.repeat(200) },
	{ expression: 'constructor + toString' },
	{ toString: 1, hasOwnProperty: 2, valueOf: null },
	['toString', 'constructor'],
	'toString',
	'constructor',
	'hasOwnProperty',
	'../../etc/passwd',
	Array.from({ length: 3000 }, (_, i) => i)
];

export const oddity = fc.constantFrom(...oddities);

/** Another value at some place of a document, or a place more, or one less. */
export const mutated = (text: string): fc.Arbitrary<string> =>
	fc.array(fc.tuple(fc.nat(), fc.nat(), oddity), { minLength: 1, maxLength: 3 }).map((changes) => {
		const document: unknown = JSON.parse(text);
		for (const [place, way, value] of changes) mutate(document, place, way, structuredClone(value));
		return JSON.stringify(document);
	});

function mutate(document: unknown, place: number, way: number, value: unknown): void {
	const holders: (Record<string, unknown> | unknown[])[] = [];
	const visit = (inner: unknown) => {
		if (typeof inner !== 'object' || inner === null) return;
		holders.push(inner as Record<string, unknown>);
		Object.values(inner).forEach(visit);
	};
	visit(document);
	const holder = holders[place % holders.length] as Record<string, unknown>;
	const keys = Object.keys(holder);
	const key = keys[way % Math.max(1, keys.length)];
	if (key === undefined || way % 7 === 0) holder[nameFrom(value)] = value;
	else if (way % 7 === 1) delete holder[key];
	else if (way % 7 === 2 && Array.isArray(holder))
		holder.push(...[...(holder as unknown[])].slice(0, 200));
	else if (way % 7 === 3 && typeof holder[key] === 'number')
		holder[key] = Number(holder[key]) * -1e3;
	else holder[key] = value;
}

const nameFrom = (value: unknown): string =>
	typeof value === 'string' ? value.slice(0, 30) : (JSON.stringify(value) ?? 'x').slice(0, 30);

/** Characters lost, doubled and changed. */
export const garbled = (text: string): fc.Arbitrary<string> =>
	fc
		.tuple(fc.nat(text.length), fc.nat(40), fc.string({ maxLength: 6 }))
		.map(([at, length, put]) => text.slice(0, at) + put + text.slice(at + length));

const deep = (depth: number): string => '['.repeat(depth) + ']'.repeat(depth);
const byHand = [
	'',
	'\ufeff',
	'null',
	'0',
	'"x"',
	'{}',
	deep(1000),
	deep(500_000),
	'['.repeat(1_000_000),
	`{"format":"lantern-step/plan","version":1,"name":"${'x'.repeat(3 * 1024 * 1024)}"}`,
	'{"__proto__":{"format":"lantern-step/plan"}}',
	'\0\0\0',
	'{"format":"lantern-step/plan","version":1e999}',
	`[${'0,'.repeat(500_000)}0]`
];

export const hostileText = fc
	.constantFrom(...samples)
	.chain(({ text }) =>
		fc.oneof(mutated(text), mutated(text), garbled(text), fc.constantFrom(...byHand))
	);

/** Never a package's own words, never an object, and never longer than a person reads. */
export const unclear =
	/\[object|Invalid input|Unrecognized key|undefined|expected string, received|^\s*at /;
