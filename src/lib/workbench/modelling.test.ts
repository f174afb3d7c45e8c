import { beforeEach, expect, it, vi } from 'vitest';
import type { ListedAttempt } from '$core/attempts/kept';
import { robotModel } from '$core/fitting/robot-model';
import { dayOf } from '$core/fitting/values-of';
import { writeDocument } from '$core/document';
import { courseOf, go, planOf } from '$core/testing/sample';
import { knownRobots } from '$lib/robots/known.svelte';
import { addMessages } from '$lib/i18n';
import type { TrialPool } from '$lib/desk/trial-pool';
import { Modelling, type Finder } from './modelling.svelte';

addMessages({
	'model.kept': 'kept',
	'model.keptHere': 'keptHere',
	'model.tellsNothing': 'tellsNothing',
	'model.forgotten': 'forgotten',
	'model.refused': 'refused {file}',
	'model.otherKind': 'otherKind {file}',
	'model.taken': 'taken'
});

const plan = planOf([go(0.5)]);
const robot = plan.robots[0]!;
const course = courseOf();
const ran = {
	source: { type: 'run', linedUp: 5 },
	runs: [{ id: robot.id, bumps: [], trace: { columns: {} } }]
};
const bumped = { source: ran.source, runs: [{ ...ran.runs[0]!, bumps: [{ time: 1 }] }] };
const mark = {
	robot: robot.id,
	after: null,
	at: [1, 1] as const,
	heading: 0,
	sigma: 0.005,
	headingSigma: 0.03
};
const row = (id: string, at: number): ListedAttempt =>
	({ id, at, marks: [mark, { ...mark, robot: 'other' }], summary: { robots: [robot] } }) as never;

const rows = vi.hoisted(() => ({ all: [] as unknown[] }));
vi.mock('$lib/attempts/keeper', () => ({
	keeper: () => ({
		marked: async () => rows.all,
		open: async (id: string) => ({
			ok: true,
			value: { plan, course, attempt: id === 'bumped' ? bumped : ran }
		})
	})
}));

const found = {
	name: 'wheels',
	unit: 'factor' as const,
	value: 1.02,
	sigma: 0.01,
	usualSigma: 0.02
};
const fitted = { found: [found], covariance: [[0.0001]], runs: [{ before: 0.1, after: 0.01 }] };
const at = '2026-12-01T10:00:00.000Z';

const tried = vi.fn<TrialPool['ask']>();
const pool = { ask: tried } as unknown as TrialPool;

function opened(off: readonly number[] = []) {
	const asked: unknown[] = [];
	const finder = (): Finder => ({
		async find(fitting, _, onProgress) {
			asked.push(fitting);
			onProgress(0.5);
			return { at, fitted, moves: [], next: undefined };
		},
		usual: async () => ({ wheels: 1 }),
		agreement: async () => off,
		end: () => {}
	});
	return {
		modelling: new Modelling({ plan, course, variation: 'classroom', robot }, finder, pool),
		asked
	};
}

const server = vi.fn<(path: string, how: { method: string }) => Promise<Response>>();
beforeEach(async () => {
	vi.stubGlobal('fetch', server);
	server.mockImplementation(async () => Response.json({}));
	await knownRobots.forget(robot);
	rows.all = [row('a', 1), row('b', 2)];
});

it('a model is found from the marks of this robot, used, switched off, and forgotten', async () => {
	const { modelling, asked } = opened();
	await modelling.read();
	await modelling.findOut();
	const runs = {
		...{ plan, course, touches: undefined, robot: robot.id, marks: [mark] },
		day: `${dayOf(1)} 5`
	};
	expect(asked).toEqual([{ kind: 'skiff', variation: 'classroom', runs: [runs, runs] }]);
	expect(modelling.known).toMatchObject({ isUsed: true, model: { runs: 2, at } });
	expect(modelling.known!.model.parameters).toEqual({
		wheels: { unit: 'factor', value: 1.02, sigma: 0.01, usualSigma: 0.02 }
	});
	expect(server.mock.lastCall![1].method).toBe('PUT');
	modelling.use(false);
	expect(modelling.known?.isUsed).toBe(false);
	await modelling.forget();
	expect(modelling.known).toBeUndefined();
});

it('without a server it is kept here, and that is said', async () => {
	server.mockRejectedValue(new TypeError());
	const { modelling } = opened();
	await modelling.read();
	await modelling.findOut();
	expect(modelling.known).toBeDefined();
	expect(modelling.news).toContain('keptHere');
});

it('newer runs that disagree by more than three deviations are told', async () => {
	const from = { at, runs: 2, moves: 0 };
	await knownRobots.put(robotModel(robot, fitted, from));
	rows.all = [
		row('old', Date.parse(at) - 1),
		row('a', Date.parse(at) + 1),
		row('b', Date.parse(at) + 2)
	];
	const { modelling } = opened([2.9, 3.1]);
	await modelling.read();
	expect(modelling.disagreeing.map(({ id }) => id)).toEqual(['b']);
});

it('one from a file is taken for a robot of its kind only', async () => {
	const { modelling } = opened();
	const model = robotModel({ kind: 'ball', name: 'Rushlight' }, fitted, { at, runs: 1, moves: 0 });
	await modelling.fromFile(new File([writeDocument(model)], 'ball.json'));
	expect(modelling.news).toContain('otherKind ball.json');
	await modelling.fromFile(new File(['{'], 'bad.json'));
	expect(modelling.news).toContain('refused bad.json');
	expect(modelling.known).toBeUndefined();
	const own = writeDocument({ ...model, kind: 'skiff' });
	await modelling.fromFile(new File([own], 'skiff.json'));
	expect(modelling.known?.model).toMatchObject({ kind: 'skiff', name: robot.name });
});

it('the newer of what is here and on the server counts', async () => {
	const model = robotModel(robot, fitted, { at, runs: 2, moves: 0 });
	await knownRobots.put(model);
	const answer = (of: string) => async () =>
		Response.json({ model: { ...model, at: of, runs: 9 } });
	server.mockImplementation(answer('2026-11-01T10:00:00.000Z'));
	await knownRobots.ask(robot);
	expect(knownRobots.of(robot)?.model.runs).toBe(2);
	server.mockImplementation(answer('2026-12-02T10:00:00.000Z'));
	await knownRobots.ask(robot);
	expect(knownRobots.of(robot)?.model.runs).toBe(9);
});

it('on the floor are the ways of such a robot and of this one; a newer look counts', async () => {
	const { modelling } = opened();
	const way = (to: number) => ({ ends: [{ id: robot.id, path: Float32Array.of(0, to) }] });
	let late: (found: unknown) => void = () => {};
	tried.mockReturnValueOnce({ answer: new Promise((give) => (late = give)), stop() {} } as never);
	const answer = Promise.resolve([way(1), way(2)]);
	tried.mockReturnValueOnce({ answer, stop() {} } as never);
	const known = { model: robotModel(robot, fitted, { at, runs: 1, moves: 0 }), isUsed: true };
	const first = modelling.ways.look(known);
	await vi.waitFor(() => expect(tried).toHaveBeenCalledOnce());
	await modelling.ways.look(known);
	late([way(8), way(9)]);
	await first;
	expect(modelling.ways.shown).toEqual({
		before: Float32Array.of(0, 1),
		after: Float32Array.of(0, 2)
	});
	const [[, trials]] = tried.mock.calls as unknown as [[unknown, { parameters: object }[]]];
	const values = trials.map(({ parameters }) => Object.values(parameters)[0].wheels);
	expect(values).toEqual([1, 1.02]);
	await modelling.ways.look(null);
	expect(modelling.ways.shown).toBeNull();
});

it('counts the runs that tell something, and keeps nothing where neither they nor moves do', async () => {
	const { modelling } = opened();
	rows.all = [row('bumped', 2), row('a', 1)];
	await modelling.read();
	await modelling.findOut();
	expect(modelling.known?.model.runs).toBe(1);
	await modelling.forget();
	rows.all = [row('bumped', 1)];
	await modelling.read();
	await modelling.findOut();
	expect(modelling.news).toBe('tellsNothing');
	expect(modelling.known).toBeUndefined();
	expect(modelling.progress).toBeNull();
	const measure = { kind: 'goFor', speed: 0.5, amount: 2, value: 0.47, battery: 1 } as const;
	knownRobots.setMeasures(robot, [{ ...measure, at: 1 }]);
	await modelling.findOut();
	expect(modelling.known?.model).toMatchObject({ runs: 0, moves: 1 });
});
