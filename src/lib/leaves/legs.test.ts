import { expect, it, vi } from 'vitest';
import { markOf } from '$core/course/mark';
import { simulate } from '$core/simulation/simulate';
import { courseOf, fullStep, go, lamp, planOf, right, wall } from '$core/testing/sample';
import { rehearseIdeally, tryOut } from '$lib/desk/rehearser';
import { Runs } from '$lib/desk/runs.svelte';
import type { Stand } from '$lib/desk/stand';
import { Voice } from '$lib/desk/voice.svelte';
import { say } from '$lib/i18n';
import { legKey, mendKey, Refining } from '$lib/workbench/refining.svelte';
import { addedWords, beganWords, costWords } from './misses';

vi.mock('$lib/desk/rehearser', () => ({
	rehearseIdeally: vi.fn((rehearsal: Parameters<typeof rehearseIdeally>[0]) =>
		Promise.resolve(simulate({ ...rehearsal, variation: 'ideal', seed: 1 }))
	),
	tryOut: vi.fn((rehearsal: Parameters<typeof simulate>[0]) =>
		Promise.resolve(simulate(rehearsal))
	),
	stopAll() {},
	stopRehearsing() {}
}));

vi.stubGlobal('cancelAnimationFrame', () => {});

const plan = planOf([lamp('#ffffff'), go(0.5), right(90), go(0.3)]);
const course = courseOf();

function lookAt(variation: 'worn' | 'ideal', seed = 4) {
	const stand = { plan, course, courseId: null, variation, live: null } as unknown as Stand;
	const runs = new Runs(stand, new Voice(), () => {});
	runs.showKept(simulate({ plan, course, variation, seed }), { plan });
	return { runs, refining: new Refining(stand, runs) };
}

it('shows the legs that moved, and looks at one at the moment when it ended', async () => {
	const { runs, refining } = lookAt('worn');
	await refining.look();
	expect(refining.shown.map(({ span }) => span.number)).toEqual([2, 3, 4]);
	expect(refining.shown.every(({ inherited }) => inherited)).toBe(true);
	const leg = refining.shown[1]!;
	refining.choose(leg);
	expect(refining.chosen).toEqual(leg);
	expect(runs.player.time).toBe(leg.span.end);
	expect(refining.around(leg)).toHaveLength(3);
	refining.choose(leg);
	expect(refining.chosen).toBeNull();
});

it('offers a mend once it was tried and helps', async () => {
	const fast = { duration: 1.5, speed: 1, ending: 'coast', then: 'goOn' };
	const plan = planOf([fullStep('goFor', fast), right(90)]);
	const stand = { plan, course, courseId: null, variation: 'ideal', live: null } as never as Stand;
	const runs = new Runs(stand, new Voice(), () => {});
	runs.showKept(simulate({ plan, course, variation: 'ideal', seed: 1 }), { plan });
	const refining = new Refining(stand, runs);
	await refining.look();
	const turn = refining.shown.at(-1)!;
	expect(Object.keys(refining.mends)).toEqual([mendKey(turn, 'rolling')]);
	expect(say(refining.mends[mendKey(turn, 'rolling')]!.sentence)).toBe('Stand still first');
	vi.mocked(tryOut).mockClear();
	runs.showKept(runs.player.attempt!, { plan });
	vi.mocked(tryOut).mockResolvedValue(null);
	await refining.look();
	expect(tryOut).toHaveBeenCalled();
	expect(refining.mends).toEqual({});
});

it('gives no reason and no mend where a plan or its course keeps it back', async () => {
	const fast = { duration: 1.5, speed: 1, ending: 'coast', then: 'goOn' };
	const plan = planOf([fullStep('goFor', fast), right(90)]);
	const look = async (more: object, ofCourse: object) => {
		const [ours, theirs] = [
			{ ...plan, ...more },
			{ ...course, ...ofCourse }
		];
		const stand = { plan: ours, course: theirs, live: null } as never as Stand;
		const runs = new Runs(stand, new Voice(), () => {});
		runs.showKept(simulate({ plan, course, variation: 'ideal', seed: 1 }), { plan });
		const refining = new Refining(stand, runs);
		await refining.look();
		const said = Object.values(refining.reasons).flat().length;
		return { off: refining.off, said, mends: Object.keys(refining.mends).length };
	};
	vi.mocked(tryOut).mockImplementation((rehearsal) => Promise.resolve(simulate(rehearsal)));
	expect(await look({}, {})).toEqual({ off: [], said: 1, mends: 1 });
	const offs = [{ helpersOff: ['mends'] }, { helpersOff: ['reasons', 'mends'] }];
	expect(await look(offs[0]!, {})).toEqual({ off: ['mends'], said: 1, mends: 0 });
	expect(await look(offs[0]!, offs[1]!)).toEqual({ off: ['reasons', 'mends'], said: 0, mends: 0 });
	expect(markOf({ ...course, helpersOff: ['legs'] })).toBe(markOf(course));
});

it('asks once for what was intended, and anew for another attempt', async () => {
	const { runs, refining } = lookAt('worn');
	vi.mocked(rehearseIdeally).mockClear();
	await Promise.all([refining.look(), refining.look()]);
	expect(rehearseIdeally).toHaveBeenCalledTimes(1);
	refining.choose(refining.shown[0]!);
	runs.showKept(simulate({ plan, course, variation: 'worn', seed: 5 }), { plan });
	await refining.look();
	expect(rehearseIdeally).toHaveBeenCalledTimes(2);
	expect(refining.chosen).toBeNull();
	runs.forget();
	await refining.look();
	expect(refining.intended).toBeNull();
	expect(refining.shown).toEqual([]);
});

it('sorts by what the legs cost, and marks where to begin', async () => {
	const { refining } = lookAt('worn');
	await refining.look();
	refining.order = 'byCost';
	const costs = refining.shown.map(({ cost }) => cost);
	expect(costs).toEqual(costs.toSorted((a, b) => b - a));
	expect(refining.first!.cost).toBeGreaterThanOrEqual(0.3 * costs[0]!);
	const sound = lookAt('ideal').refining;
	await sound.look();
	expect(sound.first).toBeUndefined();
});

it('says what a leg added and how it began', async () => {
	const { refining } = lookAt('ideal');
	await refining.look();
	const [leg, turn] = refining.shown;
	const off = { ahead: -0.032, left: 0.014, turn: -0.07 };
	expect(addedWords({ ...leg!, added: off })).toBe(
		'3.2 cm too short, 1.4 cm to the left, swerved 4° to the right'
	);
	expect(addedWords({ ...turn!, added: { ahead: 0, left: 0, turn: -0.07 } })).toBe(
		'turned 4° too far'
	);
	expect(addedWords({ ...turn!, added: { ahead: 0.01, left: 0, turn: 0.07 } })).toBe(
		'1 cm off its spot, turned 4° too little'
	);
	expect(addedWords({ ...leg!, added: null, meant: null })).toContain('nobody');
	expect(addedWords(leg!)).toBe('as meant');
	const began = { ...leg!, inherited: { ahead: 0.03, left: 0.04, turn: 0.1 }, speedAtStart: 0.2 };
	expect(beganWords(began, 0.5)).toMatch(/^5 cm off, 5.7° askew to the left, still rolling at/);
	expect(beganWords(leg!, 0.5)).toBe('on its way');
	expect(costWords({ ...leg!, cost: 0.123 })).toBe('12.3 cm');
});

it('says why a leg missed, and shows when; of a real run nothing', async () => {
	const { runs, refining } = lookAt('worn');
	const walled = courseOf({ walls: [wall([0.1, 0.7], [0.9, 0.7])] });
	const attempt = simulate({ plan, course: walled, variation: 'ideal', seed: 1 });
	runs.showKept(attempt, { plan });
	await refining.look();
	const [reason, ...others] = refining.reasons[legKey(refining.shown[0]!)]!;
	expect(say(reason!.sentence)).toMatch(/^It ran into a wall after \d\.\d s\b/);
	expect(others).toEqual([]);
	refining.showWhen(reason!);
	expect(runs.player.time).toBe(attempt.runs[0]!.bumps[0]!.time);
	runs.showKept({ ...attempt, source: { type: 'run' } }, { plan });
	expect(refining.reasons).toEqual({});
});
