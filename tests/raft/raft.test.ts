/**
 * A kind of robot that nobody foresaw: one folder, and a line in each list. Here the lists are those
 * of the app with these lines; nothing else in the code knows of it.
 */
import { render } from 'svelte/server';
import { describe, expect, it, vi } from 'vitest';
import type * as devicesList from '../../src/core/devices/list';
import { exampleOf } from '../../src/core/examples/examples';
import { makePlan, planRobot, planSchema } from '../../src/core/plan/plan';
import type * as kindsList from '../../src/core/robots/kinds';
import type * as modelsList from '../../src/core/robots/models';
import { sampleRobot } from '../../src/core/robots/robot-document';
import { traceTable } from '../../src/core/attempts/csv';
import { simulate } from '../../src/core/simulation/simulate';
import type * as stepsList from '../../src/core/steps/list';
import { courseOf, step, trigger } from '../../src/core/testing/sample';
import RobotDrawing from '../../src/lib/floor/RobotDrawing.svelte';
import Readings from '../../src/lib/planning/Readings.svelte';
import HelpCard from '../../src/lib/help/HelpCard.svelte';
import { addMessages } from '../../src/lib/i18n';
import { preferences } from '../../src/lib/preferences.svelte';
import Shelf from '../../src/lib/shelf/Shelf.svelte';
import SettingField from '../../src/lib/planning/SettingField.svelte';
import { Player } from '../../src/lib/timeline/player.svelte';
import type { Workbench } from '../../src/lib/workbench/workbench.svelte';
import { raft } from './index';
import words from './words.en.json';

vi.mock('../../src/core/devices/list', async (original) => {
	const { devices } = await original<typeof devicesList>();
	return { devices: [...devices, (await import('./device')).float] };
});
vi.mock('../../src/core/steps/list', async (original) => {
	const { catalogue } = await original<typeof stepsList>();
	return { catalogue: [...catalogue, (await import('./steps')).sinkFloat] };
});
vi.mock('../../src/core/robots/kinds', async (original) => {
	const kinds = await original<typeof kindsList>();
	const robotKinds = [...kinds.robotKinds, (await import('./index')).raft];
	const robotKindOf = (kind: string) => robotKinds.find((one) => one.kind === kind)!;
	return { robotKinds, robotKindOf };
});
vi.mock('../../src/core/robots/models', async (original) => {
	const { robotModels: models } = await original<typeof modelsList>();
	const robotModels: typeof models = { ...models, raft: (await import('./index')).raftModel };
	return { robotModels, modelOf: (kind: string) => robotModels[kind]! };
});
addMessages(words);

// What every kind and every step has to keep to, with the raft among them.
await import('../../src/core/robots/contract.test');
await import('../../src/lib/words.test');

const plan = makePlan({
	name: 'Sound the canal',
	robots: [planRobot(sampleRobot(raft))],
	chains: [{ id: 'c1', trigger: trigger(), steps: [step('sinkFloat', { depth: 0.5 })] }]
});
const rehearse = () =>
	simulate({ plan, course: courseOf(), variation: 'classroom', seed: 1, isWatched: true });

describe('a raft', () => {
	it('is read from a file with settings of its own', () => {
		expect(planSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
		expect(plan.robots[0]!.settings).toEqual({ current: 0.05, paint: '#38d39f', side: 'bow' });
		const faster = { ...plan.robots[0]!, settings: { current: 9 } };
		expect(planSchema.safeParse({ ...plan, robots: [faster] }).success).toBe(false);
	});

	it('is rehearsed: it sinks its float, and drifts meanwhile', () => {
		const attempt = rehearse();
		const { outcome, runs } = attempt;
		expect(outcome).toMatchObject({ kind: 'ended', seconds: expect.closeTo(5, 1) });
		const { trace } = runs[0]!;
		expect(trace.columns.depth!.at(-1)).toBeCloseTo(0.5);
		expect(trace.y.at(-1)).not.toBe(trace.y[0]);
		expect(rehearse()).toEqual(rehearse());
		expect(traceTable(attempt, runs[0]!).header.join()).toMatch(/depth/);
	});

	it('is drawn, shows its reading, and has fields for its settings', () => {
		expect(render(RobotDrawing, { props: { kind: 'raft', columns: {} } }).body).toContain(
			'<path class="hull'
		);
		const player = new Player();
		player.attempt = rehearse();
		player.seek(player.duration);
		const bench = { player, plan, robot: plan.robots[0]! } as unknown as Workbench;
		preferences.choose({ level: 'full' });
		const taken = { left: 0, top: 0 };
		const figures = render(Readings, { props: { bench, taken } }).body;
		expect(figures).toContain('depth of the float');
		expect(figures).toContain('50 cm');
		const fields = Object.entries(raft.settings).map(([label, definition]) => {
			const props = { label, definition, value: definition.initial, onset: () => {} };
			return render(SettingField, { props }).body;
		});
		expect(fields[0]).toContain('type="number"');
		expect(fields[1]).toContain('type="color"');
		expect(fields[2]).toContain('stern');
	});

	it('has its step on the shelf, and a picture in its help', () => {
		const place = { plan, level: 'first', holder: null } as const;
		const nothing = () => {};
		const props = { place, onchoose: nothing, onseveral: nothing, onhelp: nothing };
		expect(render(Shelf, { props }).body).toContain('Sink the float');
		const help = render(HelpCard, { props: { kind: 'sinkFloat' } }).body;
		expect(help).toContain('Lets the float down into the water.');
		const { plan: example, course } = exampleOf('sinkFloat');
		expect(example.robots[0]!.kind).toBe('raft');
		const { outcome } = simulate({ plan: example, course, variation: 'ideal', seed: 1 });
		expect(outcome.seconds).toBeCloseTo(2, 1);
	});
});
