/** Every document that was ever written opens, and does what it did. */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { courseFormat } from '../../src/core/course/course';
import { readDocument } from '../../src/core/document';
import { planFormat } from '../../src/core/plan/plan';
import { simulate } from '../../src/core/simulation/simulate';
import { courseOf } from '../../src/core/testing/sample';
import { saveSchema } from '../../src/lib/saving/protocol';

const folder = new URL('.', import.meta.url);
const filesIn = (sort: string): [string, string][] =>
	readdirSync(new URL(sort, folder)).map((name) => [
		name,
		readFileSync(new URL(`${sort}/${name}`, folder), 'utf8')
	]);

/** A plan, as far as its shape has changed since. */
interface First {
	readonly name: string;
	readonly chains: unknown[];
	readonly robots: { kind: string; name: string; ports?: object }[];
}

describe('version 1', () => {
	it.each(filesIn('v1/plans'))('of a plan opens and rehearses: %s', (_, text) => {
		const read = readDocument(text, planFormat);
		if (!read.ok) throw new Error(JSON.stringify(read));
		const { name, chains, robots } = JSON.parse(text) as First;
		expect(read.value).toMatchObject({ version: 2, name, chains });
		const named = robots.map(({ ports, ...robot }, index) => {
			const settings = { ...(ports ?? { left: 'A', right: 'B' }), panel: 'none' };
			return { id: `robot${index + 1}`, ...robot, settings };
		});
		expect(read.value.robots).toEqual(named);
		const rehearsal = { plan: read.value, course: courseOf(), seed: 1, limit: 5 };
		expect(['ended', 'timeout', 'halted']).toContain(
			simulate({ ...rehearsal, variation: 'ideal' }).outcome.kind
		);
	});

	it.each(filesIn('v1/courses'))('of a course opens with all that was on it: %s', (_, text) => {
		const read = readDocument(text, courseFormat);
		if (!read.ok) throw new Error(JSON.stringify(read));
		const { start, ...same } = JSON.parse(text) as Record<string, unknown>;
		expect(read.value).toMatchObject({ ...same, version: 2, starts: [start] });
	});

	it.each(filesIn('v1/drafts'))('of a draft is still a save: %s', (_, text) => {
		const kept = JSON.parse(text) as { save?: unknown; text?: string };
		const save = kept.text === undefined ? kept.save : (JSON.parse(kept.text) as unknown);
		expect(saveSchema.safeParse(save).error).toBeUndefined();
	});
});
