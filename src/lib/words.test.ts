/** Every message that the code can ask for is there. */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { devices } from '$core/devices/list';
import { readings } from '$core/expressions/vocabulary';
import { robotKinds } from '$core/robots/kinds';
import { helpers } from '$core/helpers';
import { families } from '$core/steps/definition';
import { catalogue } from '$core/steps/list';
import { figures } from '$core/course/editing/figures';
import { kindOf, partNames } from '$core/course/parts';
import '$lib/attempts/words';
import '$lib/course/words';
import '$lib/files/words';
import '$lib/eye/words';
import '$lib/words/step-help';
import '$lib/help/words';
import '$lib/home/words';
import '$lib/lists/words';
import '$lib/leaves/words';
import '$lib/loom/words';
import '$lib/recording/words';
import '$lib/staff/words';
import '$lib/voice/words';
import '$lib/robots/words';
import '$lib/server/words';
import '$lib/words/core';
import '$lib/words/short-hand';
import '$lib/trail/words';
import '$lib/values/words';
import robotCheck from '../cli/robot-check/words.en.json';
import { outcomes } from '$core/simulation/attempt';
import { readyMoves } from '$core/fitting/moves';
import { robotModels } from '$core/robots/models';
import { sampleRobot } from '$core/robots/robot-document';
import { attemptFilters } from '$lib/attempts/attempt-list.svelte';
import { addMessages, hasMessage, partsOf, say } from '$lib/i18n';

addMessages(robotCheck);

const missing = (keys: readonly string[]): string[] => keys.filter((key) => !hasMessage(key));

describe('words', () => {
	it.each(catalogue.map((definition) => [definition.kind, definition] as const))(
		'of step %s, and of each of its values',
		(kind, { values }) => {
			const names = Object.keys(values);
			const parts = ['name', 'sentence', 'help', ...names];
			expect(missing(parts.map((part) => `step.${kind}.${part}`))).toEqual([]);
			for (const form of ['sentence', 'short']) {
				if (!hasMessage(`step.${kind}.${form}`)) continue;
				const slots = partsOf(`step.${kind}.${form}`, names).flatMap((part) =>
					'slot' in part ? [part.slot] : []
				);
				for (const slot of slots) expect(names).toContain(slot);
			}
		}
	);

	it('of readings, of devices that a step can need, of families and of types', () => {
		const needed = new Set(catalogue.flatMap(({ needs }) => needs.map(({ id }) => id)));
		const ids = devices.map(({ id }) => id).filter((id) => needed.has(id));
		expect(
			missing([
				...Object.keys(readings).map((reading) => `reading.${reading}`),
				...ids.flatMap((id) => [`check.cannot.${id}`, `note.cannot.${id}`]),
				...families.map((family) => `family.${family}`)
			])
		).toEqual([]);
	});

	it.each(robotKinds.map((kind) => [kind.kind, kind] as const))(
		'of robots of kind %s, and of their settings',
		(kind, { settings }) => {
			const names = Object.keys(settings);
			const own = [kind, `${kind}.explain`, ...(names.length > 0 ? [`${kind}.settings`] : [])];
			expect(
				missing([
					...own.map((key) => `bench.kind.${key}`),
					...names.map((name) => `setting.${kind}.${name}`)
				])
			).toEqual([]);
		}
	);

	it('of helpers that can be switched off, in a plan and in a course', () => {
		const keys = helpers.flatMap((each) => [`helpers.${each}`, `course.helper.${each}`]);
		expect(missing(keys)).toEqual([]);
	});

	it('of all that can be found out of a robot, in its unit, and of ready moves', () => {
		const all = Object.values(robotModels).flatMap(({ parameters }) => Object.entries(parameters));
		const own = all.filter(([, { of }]) => of === 'robot');
		const moves = robotKinds.flatMap((kind) => readyMoves(sampleRobot(kind)));
		expect(moves.length).toBeGreaterThan(20);
		expect(
			missing([
				...own.flatMap(([name, { unit }]) => [`parameter.${name}`, `parameter.figure.${unit}`]),
				...moves.map(({ name }) => `move.${name}`)
			])
		).toEqual([]);
	});

	it('of parts of a course, of how they are laid, and of their figures and choices', () => {
		const list = Object.values(figures).flat();
		const options = list.flatMap((figure) => (figure.type === 'choice' ? figure.options : []));
		expect(
			missing([
				...partNames.flatMap((part) => [
					`course.part.${part}`,
					`course.hint.${kindOf(part).laying}`
				]),
				...list.map(({ name }) => `course.figure.${name}`),
				...options.map((option) => `course.option.${option}`)
			])
		).toEqual([]);
	});

	it('that the code names outright', () => {
		const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter(
			(file) => /\.(ts|svelte)$/.test(file) && !file.includes('.test.')
		);
		const named = files.flatMap((file) =>
			[...readFileSync(`src/${file}`, 'utf8').matchAll(/\bt\(\s*'([\w.]+)'/g)].map(
				([, key]) => key!
			)
		);
		expect(named.length).toBeGreaterThan(200);
		expect(missing(named)).toEqual([]);
	});

	it('of a robot that we do not have are shown as its own', () => {
		const values = { number: 2, name: 'Tallow' };
		expect(say({ key: 'note.refused.onFire', values })).toBe(
			'Step 2 was refused. The robot says why: “onFire”.'
		);
		expect(say({ key: 'note.refused.noDevice', values })).toContain('has nothing that could do it');
		expect(say({ key: 'outcome.live.onFire', values })).toBe(
			'Tallow has stopped, in step 2. It says: “onFire”.'
		);
		// As a journal may have it: not even what goes into a message of ours.
		for (const key of ['outcome.over', 'outcome.live.onFire', 'what', 'a.b.c', ''])
			expect(say({ key })).toMatch(/^The robot says: “.*”\.$/);
		const unknown = { key: 'outcome.finished', values: { seconds: { message: 'no.such' } } };
		expect(() => say(unknown)).not.toThrow();
	});

	it('for how an attempt ended, and which are shown', () => {
		const ends = outcomes.map((kind) => `attempts.is.${kind}`);
		const filters = attemptFilters.map((filter) => `attempts.filter.${filter}`);
		expect(missing([...ends, ...filters])).toEqual([]);
	});
});
