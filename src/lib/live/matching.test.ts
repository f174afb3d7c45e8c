import { expect, it } from 'vitest';
import type { Greeting } from '$core/link/frames';
import type { PlanRobot } from '$core/plan/plan';
import { Lining } from './lining.svelte';
import { rolesOf } from './matching';

const real = (id: string, kind: string, name = id) => ({ id, kind, name }) as Greeting;
const wanted = (id: string, kind: string, name = id) => ({ id, kind, name }) as PlanRobot;
const idsOf = (...given: Parameters<typeof rolesOf>) =>
	rolesOf(...given).map(({ robot, id }) => [robot?.id, id]);

it('matches by choice first, then by name and kind, then where there is only one of a kind', () => {
	const [tallow, wick, lugger] = [
		real('tallow', 'skiff', 'Tallow'),
		real('wick', 'skiffLite', 'Wick'),
		real('lugger', 'skiff', 'Lugger')
	];
	const plan = [wanted('one', 'skiff', 'Tallow'), wanted('two', 'skiffLite', 'Ember-6')];
	expect(idsOf(plan, [lugger, wick, tallow], {})).toEqual([
		['tallow', 'tallow'],
		['wick', 'wick']
	]);
	expect(idsOf(plan, [lugger, wick, tallow], { one: 'lugger' })).toEqual([
		['lugger', 'lugger'],
		['wick', 'wick']
	]);
	// Whoever was chosen and is gone is waited for: no other takes the place.
	expect(idsOf(plan, [wick, tallow], { one: 'lugger' })[0]).toEqual([undefined, 'lugger']);
});

it('leaves two alike to the person, and gives a plan for one robot whatever there is', () => {
	const two = [wanted('one', 'skiff', 'Ember-6'), wanted('two', 'skiff', 'Wick')];
	expect(idsOf(two, [real('a', 'skiff'), real('b', 'skiff')], {})).toEqual([
		[undefined, undefined],
		[undefined, undefined]
	]);
	// Once one of them is known by its name, the other one is, too.
	expect(idsOf(two, [real('a', 'skiff'), real('b', 'skiff', 'Wick')], {})).toEqual([
		['a', 'a'],
		['b', 'b']
	]);
	expect(idsOf([wanted('one', 'skiff')], [real('bobbin', 'ball')], {})).toEqual([
		['bobbin', 'bobbin']
	]);
	expect(idsOf(two, [], {})).toEqual([
		[undefined, undefined],
		[undefined, undefined]
	]);
});

it('lines up by stick, by number and by pointing', () => {
	const lining = new Lining();
	lining.begin(real('tallow', 'skiff'), 90);
	expect([lining.robot?.id, lining.went]).toEqual(['tallow', 90]);
	lining.turnFront(-100);
	expect(lining.went).toBe(350);
	lining.setFront(NaN);
	expect(lining.went).toBe(350);
	lining.setFront(725.4);
	expect(lining.went).toBe(5);
	lining.point([1, 1], [0, 1]);
	expect(lining.went).toBe(270);
	lining.end();
	expect(lining.robot).toBe(null);
});
