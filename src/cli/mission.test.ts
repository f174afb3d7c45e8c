import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import index from '../../samples/index.json';
import { writeDocument } from '../core/document';
import { go, planOf, repeat, right } from '../core/testing/sample';
import { mission as command } from './mission';
import { BadInput } from './read';

const folder = mkdtempSync(join(tmpdir(), 'lantern-step-cli-'));
const sample = (kind: 'plans' | 'courses', file: string) => `samples/${kind}/${file}.json`;

/** The command without a process of its own; `ran` below has one. */
function mission(...words: string[]) {
	try {
		return { code: 0, output: command(words) as string, errors: [] };
	} catch (error) {
		if (!(error instanceof BadInput)) throw error;
		return { code: 2, output: '', errors: error.message.split('\n') };
	}
}

function ran(...words: string[]) {
	const run = spawnSync('npx', ['tsx', 'src/cli/main.ts', ...words], { encoding: 'utf8' });
	const errors = run.stderr.split('\n').filter((line) => line && !line.startsWith('npm warn'));
	return { code: run.status, output: run.stdout, errors };
}

function file(name: string, text: string): string {
	const path = join(folder, name);
	writeFileSync(path, text);
	return path;
}

describe('mission run', () => {
	it.each(index.plans)('rehearses the sample $file', ({ file, course, isAlmostRight = false }) => {
		const words = [
			'--plan',
			sample('plans', file),
			'--course',
			sample('courses', course),
			'--seed',
			'3'
		];
		const { code, output } = mission('run', ...words);
		expect(code).toBe(0);
		expect(JSON.parse(output).outcome === 'finished').toBe(!isAlmostRight);
	});

	it('prints the same bytes for the same seed, and a trace with a header', () => {
		const trace = join(folder, 'trace.csv');
		const words = [
			'--plan',
			sample('plans', 'first-lamp'),
			'--course',
			sample('courses', 'open-quay')
		];
		const first = mission('run', ...words, '--seed', '7', '--variation', 'worn', '--trace', trace);
		expect(mission('run', ...words, '--seed', '7', '--variation', 'worn').output).toBe(
			first.output
		);
		expect(mission('run', ...words, '--seed', '8', '--variation', 'worn').output).not.toBe(
			first.output
		);
		const [header, ...lines] = readFileSync(trace, 'utf8').split('\r\n');
		expect(header).toMatch(/^time_s,x_m,y_m,bearing_deg,/);
		expect(lines[0]).toMatch(/^0,/);
	});
});

describe('bad input', () => {
	const good = writeDocument(planOf([go(0.3)]));
	const deep = Array.from({ length: 40 }).reduce((body: unknown) => [repeat(2, body as never)], []);
	const cases: [string, string, RegExp][] = [
		['truncated', good.slice(0, 120), /Line \d+, column \d+: the text ends here/],
		['version', good.replace('"version": 2', '"version": 3'), /version: version 2 was expected/],
		['unknown step', good.replace('"go"', '"leap"'), /chains\[0\]\.steps\[0\]\.kind: one of go, /],
		[
			'range',
			good.replace('0.3', '-40'),
			/chains\[0\]\.steps\[0\]\.values\.distance: at least -10 /
		],
		[
			'branch',
			good
				.replace('"go"', '"otherwise"')
				.replace(/"values": \{[^}]*"speed[^}]*\}/, '"values": {}, "body": []'),
			/chains\[0\]\.steps\[0\]\.kind: a step of kind "otherwise" cannot hang here/
		],
		[
			'expression',
			good.replace('0.3', '{ "expression": 7 }'),
			/chains\[0\]\.steps\[0\]\.values\.distance\.expression: a text was expected/
		],
		['deep', writeDocument(planOf(deep as never)), /nested more than 32 levels deep/],
		['large', `"${'x'.repeat(10 << 20)}"`, /larger than 2,097,152 bytes/],
		['prototype', good.replace('"id"', '"__proto__": {}, "id"'), /"__proto__" is not allowed/],
		[
			'unknown field',
			good.replace('"robots"', '"pets": 1, "robots"'),
			/the field "pets" is unknown/
		]
	];

	it.each(cases)('%s: exit 2 and one sentence with the place', (name, text, sentence) => {
		const { code, output, errors } = mission('check', '--plan', file(`${name}.json`, text));
		expect(code).toBe(2);
		expect(output).toBe('');
		expect(errors).toHaveLength(1);
		expect(errors[0]).toContain(`${name}.json`);
		expect(errors[0]).toMatch(sentence);
	});

	it('ends the process with exit 2 and one line, and what ran with exit 0', () => {
		const bad = ran('check', '--plan', file('bad.json', '{'));
		expect(bad).toMatchObject({ code: 2, output: '' });
		expect(bad.errors).toEqual([expect.stringContaining('bad.json: Line 1, column 2')]);
		const fine = ran('check', '--plan', sample('plans', 'first-lamp'));
		expect(fine).toEqual({ code: 0, output: '{\n  "problems": []\n}\n', errors: [] });
	});

	it('in the options is named, too', () => {
		expect(mission('run', '--plan', folder).errors[0]).toMatch(/a file was expected/);
		expect(mission('fl\ny').errors).toHaveLength(1);
		expect(mission('run', '--plan', 'nowhere.json').errors[0]).toMatch(/nowhere\.json: .*ENOENT/);
		expect(mission('fly')).toMatchObject({ code: 2 });
		const words = [
			'--plan',
			sample('plans', 'first-lamp'),
			'--course',
			sample('courses', 'open-quay')
		];
		expect(mission('run', ...words, '--seed', 'x').errors[0]).toMatch(/--seed: a whole number/);
	});

	it('spread tells how many of many trials reach the finish, alike on one thread and on two', async () => {
		const words = ['spread', '--plan', sample('plans', 'first-lamp'), '--trials', '12'];
		words.push('--course', sample('courses', 'open-quay'));
		const on = async (workers: string) => {
			const report = JSON.parse(await command([...words, '--workers', workers])) as object;
			return { ...report, wallTime_s: 0 };
		};
		const alone = await on('1');
		expect(alone).toMatchObject({ trials: 12, reachedFinish: 12, successRate: 1 });
		expect(await on('2')).toEqual(alone);
		await expect(command([...words, '--workers', '0'])).rejects.toThrow(
			'--workers: a whole number'
		);
	});

	it('check lists what is odd about a plan', () => {
		const lit = planOf([repeat(3, [])]);
		const plan = { ...lit, chains: lit.chains.map((chain) => ({ ...chain, trigger: null })) };
		const { problems } = JSON.parse(
			mission('check', '--plan', file('odd.json', writeDocument(plan))).output
		);
		expect(problems.map((problem: { place: string }) => problem.place)).toEqual([
			'chains',
			'chains[0]',
			'chains[0].steps[0]'
		]);
	});
});

describe('mission nudge', () => {
	const plan = file('nudge.json', writeDocument(planOf([go(0.4), right(90), go(0.4)])));
	const words = ['nudge', '--plan', plan, '--course', sample('courses', 'open-quay'), '--step'];
	const nudged = async (...more: string[]) =>
		JSON.parse(await (mission(...words, ...more).output as string | Promise<string>)) as {
			isReached: boolean;
			values: { number: number; name: string; rounded: number }[];
		};

	it('tells the numbers with which a step ends somewhere, or faces somewhere', async () => {
		const turned = await nudged('2', '--bearing', '120', '--variation', 'ideal');
		expect(turned.values).toMatchObject([{ number: 2, name: 'angle', rounded: 120 }]);
		const { isReached, values } = await nudged('3', '--at', '0.9,1', '--variation', 'ideal');
		expect(isReached).toBe(true);
		expect(values.map(({ name }) => name)).toEqual(['angle', 'distance']);
	});

	it('tells what a marked robot is like, by which then is rehearsed, and what would help', () => {
		const plan = file('square.json', writeDocument(planOf([repeat(4, [go(0.5), right(90)])])));
		const course = sample('courses', 'open-quay');
		const kept = join(folder, 'marked.json');
		mission('attempt', '--plan', plan, '--course', course, '--attempt', kept, '--seed', '5');
		const unmarked = mission('fit', '--marked', kept);
		expect(unmarked.errors[0]).toContain('a hand has marked the robot was expected');
		const attempt = JSON.parse(readFileSync(kept, 'utf8'));
		const at = { robot: 'robot1', after: null, at: [0.5, 0.36], heading: 1.7 };
		writeFileSync(
			kept,
			JSON.stringify({ ...attempt, marks: [{ ...at, sigma: 0.005, headingSigma: 0.03 }] })
		);
		const model = join(folder, 'tallow.json');
		const found = JSON.parse(mission('fit', '--marked', kept, '--out', model).output);
		expect(found.runs[0].after).toBeLessThan(found.runs[0].before);
		const words = ['run', '--plan', plan, '--course', course, '--seed', '5'];
		expect(mission(...words, '--model', model).output).not.toBe(mission(...words).output);
		const ball = file('ball.json', readFileSync(model, 'utf8').replace('"skiff"', '"ball"'));
		expect(mission(...words, '--model', ball).errors[0]).toContain('of a ball');
		const help = ['--plan', sample('plans', 'ferry-in-a-hurry')];
		const ferry = ['--course', sample('courses', 'ferry-rail')];
		const { now, advice } = JSON.parse(mission('advice', ...help, ...ferry).output);
		expect(advice[0].arrivals.successes).toBeGreaterThan(now.successes + 20);
		expect(advice[0].changes[0].what).toContain('Go slower');
	});

	it('sets one attempt beside another', () => {
		const kept = [90, 60].map((angle) => {
			const plan = file(`${angle}.json`, writeDocument(planOf([go(0.5), right(angle), go(0.3)])));
			const attempt = join(folder, `attempt ${angle}.json`);
			const course = sample('courses', 'open-quay');
			mission('attempt', '--plan', plan, '--course', course, '--attempt', attempt);
			return attempt;
		}) as [string, string];
		const { parting, legs, totals } = JSON.parse(
			mission('compare', '--attempt', kept[0], '--with', kept[1]).output
		);
		// Past the straight, somewhere in what follows the turn.
		expect(parting.time).toBeGreaterThan(2);
		expect(legs.length).toBeGreaterThanOrEqual(3);
		expect(totals[0].steps).toBe(3);
		expect(mission('compare', '--attempt', kept[0]).errors[0]).toContain('--with FILE');
	});

	it('tells what a robot makes of one move, by power', () => {
		const words = ['measure', '--kind', 'skiff', '--move', 'goFor', '--variation', 'ideal'];
		const { moves, line } = JSON.parse(mission(...words, '--powers', '20,40,80').output);
		expect(moves.map(({ power }: { power: number }) => power)).toEqual([0.2, 0.4, 0.8]);
		// Top speed of 0.5 m/s.
		expect(line.slope).toBeCloseTo(0.5, 1);
		expect(mission(...words, '--powers', '120').errors[0]).toContain('--powers');
		expect(mission('measure', '--kind', 'rail', '--move', 'turn').errors[0]).toContain('--move');
	});

	it('says what was expected', async () => {
		await expect(nudged('3', '--at', 'there')).rejects.toThrow('--at EAST,NORTH in metres');
		await expect(nudged('9', '--bearing', '3')).rejects.toThrow('--step 9: a step that moves');
	});
});

describe('mission attempt and mission legs', () => {
	const words = [
		...['--plan', sample('plans', 'quay-there-and-back')],
		...['--course', sample('courses', 'long-quay'), '--variation', 'worn', '--seed', '9']
	];

	it('keeps an attempt, whose legs are those of the rehearsal', () => {
		const kept = join(folder, 'worn.attempt.json');
		expect(mission('attempt', ...words, '--attempt', kept).output).toBe(
			mission('run', ...words).output
		);
		const [fresh, again] = [words, ['--attempt', kept]].map((each) =>
			JSON.parse(mission('legs', ...each).output)
		) as {
			robots: {
				legs: { stepId: string; cost_m: number; nearest_m: number; nearestTo: string }[];
				shape: {
					sides: object[];
					corners: { turn_deg: number; meant_deg: number }[];
					closing: { length_m: number } | null;
				};
			}[];
		}[];
		const legs = fresh!.robots[0]!.legs;
		expect(legs.length).toBeGreaterThan(3);
		expect(legs[0]!.nearest_m).toBeGreaterThan(0.01);
		expect(legs[0]!.nearestTo).toBe('wall');
		const { sides, corners, closing } = fresh!.robots[0]!.shape;
		expect(sides.length).toBeGreaterThan(1);
		for (const { turn_deg, meant_deg } of corners)
			expect(Math.abs(turn_deg - meant_deg)).toBeLessThan(10);
		expect(closing!.length_m).toBeLessThan(0.3);
		again!.robots[0]!.legs.forEach(({ stepId, cost_m }, i) => {
			expect(stepId).toBe(legs[i]!.stepId);
			expect(cost_m).toBeCloseTo(legs[i]!.cost_m, 3);
		});
		expect(mission('legs', '--attempt', kept, '--table').output).toMatch(/^\w+\nstep +kind +meant/);
	});

	it('says what is wrong with its input', () => {
		expect(mission('attempt', ...words)).toMatchObject({
			code: 2,
			errors: ['--attempt FILE was expected. See mission --help.']
		});
		const cut = file('cut.attempt.json', '{"format": "lantern-step/attempt", "version": 1');
		expect(mission('legs', '--attempt', cut).errors[0]).toMatch(/cut.attempt.json: .*Line 1/);
		const plan = sample('plans', 'first-lamp');
		expect(mission('legs', '--attempt', plan).errors[0]).toMatch(/"lantern-step\/attempt"/);
	});
});
