/** A small plan for each step and trigger that shows what it does: for its help, and for its test. */
import { makeCourse, type Course } from '../course/course';
import { eachStep, makePlan, planRobot, type Chain, type Plan, type Step } from '../plan/plan';
import { robotKinds } from '../robots/kinds';
import { canDo, type RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { definitionOf, initialValues } from '../steps/catalogue';
import type { Values } from '../steps/definition';

export interface Example {
	readonly plan: Plan;
	readonly course: Course;
}

let count = 0;

function step(kind: string, values: Values = {}, body?: readonly Step[]): Step {
	count += 1;
	const filled = { ...initialValues(kind), ...values };
	return { id: `e${count}`, kind, values: filled, ...(body ? { body } : {}) };
}

const e = (expression: string) => ({ expression });
const chain = (trigger: Step | null, ...steps: Step[]): Chain => {
	count += 1;
	return { id: `e${count}`, trigger, steps };
};
const run = (...steps: Step[]): Chain => chain(step('whenRunPressed'), ...steps);
const go = (distance: number): Step => step('go', { distance });
const right = (): Step => step('turn', { angle: 90 });
const lamp = (colour: string): Step => step('lamp', { colour });

const amber = '#ffb020';
const blue = '#4aa8ff';
const coral = '#ff6b5c';

/** A short way on a small sheet; what a step senses stands or lies at its end. */
const course = (changes: Partial<Course> = {}): Course =>
	makeCourse({
		name: 'Example',
		size: { width: 0.9, height: 0.6 },
		starts: [{ at: [0.16, 0.3], bearing: 90 }],
		...changes
	});

const wallAhead = course({
	walls: [{ id: 'w', from: [0.82, 0.1], to: [0.82, 0.5], thickness: 0.03 }]
});
const post = course({ lampPosts: [{ id: 'post', at: [0.6, 0.42], reach: 0.14 }] });
const edge = course({
	table: [
		[0.02, 0.02],
		[0.75, 0.02],
		[0.75, 0.58],
		[0.02, 0.58]
	]
});
const rail = course({
	rails: [
		{
			...{ id: 'rail', at: [0.04, 0.3], bearing: 90, isClosed: false, marks: [] },
			pieces: [{ length: 0.82 }]
		}
	]
});
const patch = course({
	patches: [
		{
			id: 'p',
			colour: 'blue',
			corners: [
				[0.4, 0.15],
				[0.62, 0.15],
				[0.62, 0.45],
				[0.4, 0.45]
			]
		}
	]
});
const middle = course({ starts: [{ at: [0.45, 0.3], bearing: 0 }] });

type Make = (values: Values) => { chains: readonly Chain[]; on?: Course };

/** Those that need more around them than a chain of their own. */
const special: Readonly<Record<string, Make>> = {
	start: (values) => ({ chains: [run(step('start', values), step('wait', { duration: 1.5 }))] }),
	stop: (values) => ({
		chains: [run(step('start'), step('wait', { duration: 1 }), step('stop', values), lamp(coral))]
	}),
	roll: (values) => ({
		chains: [
			run(
				step('roll', { ...values, bearing: 90 }),
				step('wait', { duration: 1 }),
				step('roll', { ...values, bearing: 0 }),
				step('wait', { duration: 0.5 }),
				step('stop')
			)
		]
	}),
	rollTimed: (values) => ({
		chains: [run(step('rollTimed', { ...values, bearing: 90, duration: 1 }))]
	}),
	rollFar: (values) => ({
		chains: [
			run(
				step('rollFar', { ...values, bearing: 90, distance: 0.4 }),
				step('rollFar', { ...values, bearing: 0, distance: 0.2 })
			)
		]
	}),
	horn: (values) => ({ chains: [run(step('horn', values), go(0.4))], on: rail }),
	land: (values) => ({
		chains: [run(step('takeOff'), step('go', { distance: 0.4 }), step('land', values))]
	}),
	hover: (values) => ({
		chains: [
			run(step('takeOff'), step('start'), step('wait', { duration: 0.5 }), step('hover', values))
		]
	}),
	flip: (values) => ({ chains: [run(step('takeOff'), step('flip', values))], on: middle }),
	cutMotors: (values) => ({
		chains: [run(step('takeOff'), step('cutMotors', values))],
		on: middle
	}),
	pinsAtOnce: (values) => ({
		chains: [run(step('pinsAtOnce', values), step('wait', { duration: 1 }), step('pinsOff'))]
	}),
	pinsOff: (values) => ({
		chains: [
			run(step('pinsAtOnce'), step('pin', { pin: 5 }), step('wait'), step('pinsOff', values))
		]
	}),
	pin: () => ({
		chains: [run(step('pin', { pin: 5 }), step('goFor', { duration: 1, speed: 1 }))]
	}),
	pinFor: () => ({
		chains: [run(step('pinFor', { pin: 1, duration: 0.5 }), step('pinFor', { pin: 5 }))],
		on: middle
	}),
	patches: (values) => ({
		chains: [run(step('patches', { ...values, right: 0.6 }), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	patchesFor: (values) => ({ chains: [run(step('patchesFor', values))], on: middle }),
	face: (values) => ({
		chains: [run(step('face', values), step('goFor', { duration: 1, speed: 1 }))]
	}),
	steer: () => ({
		chains: [run(step('steer', { steering: 0.4 }), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	wheels: () => ({
		chains: [run(step('wheels', { left: 0.4, right: 0.2 }), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	wheelsFor: (values) => ({ chains: [run(step('wheelsFor', values))], on: middle }),
	wheelsTurns: (values) => ({ chains: [run(step('wheelsTurns', values))], on: middle }),
	motor: (values) => ({
		chains: [run(step('motor', values), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	drivePorts: () => ({
		chains: [
			run(
				step('drivePorts', { left: 'B', right: 'A' }),
				step('wheels', { left: 0.4, right: 0.1 }),
				step('wait', { duration: 1 })
			)
		],
		on: middle
	}),
	ifStuck: (values) => ({
		chains: [run(step('ifStuck', { ...values, after: 1 }), go(1), go(-0.2))],
		on: wallAhead
	}),
	cruise: () => ({
		chains: [run(step('cruise', { speed: 0.7 }), step('go', { speed: e('cruise') }))]
	}),
	arc: (values) => ({ chains: [run(step('arc', { ...values, radius: 0.2 }))] }),
	turn: (values) => ({ chains: [run(step('turn', values))], on: middle }),
	turnFor: (values) => ({ chains: [run(step('turnFor', values))], on: middle }),
	turnTo: () => ({ chains: [run(step('turnTo', { bearing: 90 }))], on: middle }),
	blink: () => ({ chains: [run(step('blink', { period: 0.5 }), go(0.4))] }),
	lampOff: (values) => ({ chains: [run(lamp(amber), go(0.2), step('lampOff', values), go(0.2))] }),
	volume: (values) => ({ chains: [run(step('volume', values), step('tone'))] }),
	silence: (values) => ({
		chains: [
			run(
				step('tone', { length: 3, then: 'carryOn' }),
				step('wait', { duration: 1 }),
				step('silence', values)
			)
		]
	}),
	wait: (values) => ({ chains: [run(go(0.2), step('wait', values), go(0.2))] }),
	repeat: (values) => ({
		chains: [run(step('repeat', values, [go(0.2), right()]))],
		on: course({ starts: [{ at: [0.35, 0.4], bearing: 90 }] })
	}),
	waitUntil: (values) => ({
		chains: [run(step('start'), step('waitUntil', values), step('stop'))],
		on: wallAhead
	}),
	forever: (values) => ({
		chains: [
			run(
				step('forever', values, [
					lamp(amber),
					step('wait', { duration: 0.3 }),
					lamp(blue),
					step('wait', { duration: 0.3 })
				])
			)
		]
	}),
	until: (values) => ({
		chains: [run(step('until', values, [step('start', { speed: 0.3 })]), step('stop'))],
		on: wallAhead
	}),
	choose: () => ({ chains: [run(go(0.35), choice())], on: patch }),
	when: () => ({ chains: [run(go(0.35), choice())], on: patch }),
	otherwise: () => ({ chains: [run(go(0.2), choice())], on: wallAhead }),
	together: () => ({ chains: [run(sides())] }),
	side: () => ({ chains: [run(sides())] }),
	leave: (values) => ({
		chains: [
			run(
				step('forever', {}, [
					go(0.1),
					step('choose', {}, [
						step('when', { condition: e('distanceAhead < 25*cm') }, [step('leave', values)])
					])
				]),
				lamp(coral)
			)
		],
		on: wallAhead
	}),
	end: (values) => ({ chains: [run(go(0.2), step('end', values), go(0.4))] }),
	waitStill: (values) => ({
		chains: [
			run(
				step('start'),
				step('wait', { duration: 1 }),
				step('stop', { then: 'goOn' }),
				step('waitStill', values),
				lamp(amber)
			)
		]
	}),
	zero: (values) => ({
		chains: [run(go(0.2), step('zero', values), go(0.1), step('log', { value: e('travelled') }))]
	}),
	set: () => ({
		chains: [
			run(step('set', { variable: 'n', value: e('40*cm') }), step('go', { distance: e('n') }))
		]
	}),
	change: () => ({
		chains: [
			run(
				step('set', { variable: 'n', value: 0 }),
				step('repeat', { times: 3 }, [step('change', { variable: 'n', by: 1 })]),
				step('log', { value: e('n') })
			)
		]
	}),
	newList: () => ({ chains: [list()] }),
	addItem: () => ({ chains: [list()] }),
	setItem: () => ({
		chains: [list(step('setItem', { index: 2, variable: 'ways', value: 0.1 }))]
	}),
	log: () => ({ chains: [run(go(0.3), step('log', { value: e('travelled') }))] }),
	send: (values) => ({
		chains: [
			run(go(0.2), step('send', values), go(0.2)),
			chain(step('whenMessage'), step('tone'), lamp(blue))
		]
	}),
	call: () => ({ chains: routine(), on: course({ starts: [{ at: [0.35, 0.42], bearing: 90 }] }) }),
	routine: () => ({
		chains: routine(),
		on: course({ starts: [{ at: [0.35, 0.42], bearing: 90 }] })
	}),
	whenBump: (values) => ({
		chains: [
			run(step('start')),
			chain(
				step('whenBump', values),
				step('stop'),
				step('go', { direction: 'back', distance: 0.15 })
			)
		],
		on: wallAhead
	}),
	whenTouched: (values) => ({
		chains: [run(go(0.4)), chain(step('whenTouched', values), lamp(coral))]
	}),
	whenReading: (values) => ({
		chains: [run(step('start')), chain(step('whenReading', values), step('stop'))],
		on: wallAhead
	}),
	whenLampPost: (values) => ({
		chains: [run(go(0.5)), chain(step('whenLampPost', values), step('blink', { period: 0.3 }))],
		on: post
	}),
	whenEdge: (values) => ({
		chains: [
			run(step('start', { speed: 0.3 })),
			chain(
				step('whenEdge', values),
				step('stop'),
				step('go', { direction: 'back', distance: 0.2 })
			)
		],
		on: edge
	}),
	every: () => ({
		chains: [
			run(go(0.5), step('end', { what: 'everything' })),
			chain(step('every', { period: 0.5 }), step('tone', { length: 0.1 }))
		]
	}),
	whenMessage: (values) => ({
		chains: [run(go(0.2), step('send')), chain(step('whenMessage', values), step('tone'))]
	})
};

const choice = (): Step =>
	step('choose', {}, [
		step('when', { condition: e('floorColour == blue') }, [lamp(blue)]),
		step('otherwise', {}, [lamp(amber)])
	]);

const sides = (): Step =>
	step('together', {}, [
		step('side', {}, [go(0.4)]),
		step('side', {}, [step('melody', { notes: 'C4 E4 G4' })])
	]);

const list = (...changes: Step[]): Chain =>
	run(
		step('newList', { variable: 'ways' }),
		step('addItem', { value: 0.2, variable: 'ways' }),
		step('addItem', { value: 0.3, variable: 'ways' }),
		...changes,
		step('go', { distance: e('item(ways, 2) * m') })
	);

const routine = (): Chain[] => [
	run(step('repeat', { times: 4 }, [step('call', { routine: 'side', long: 0.2 })])),
	chain(
		step('routine', { name: 'side', inputs: 'long' }),
		step('go', { distance: e('long * m') }),
		right()
	)
];

const examples = new Map<string, Example>();

/** The example of a step or trigger; always the same one. */
export function exampleOf(kind: string): Example {
	const known = examples.get(kind);
	if (known) return known;
	const values = initialValues(kind);
	const { isTrigger } = definitionOf(kind);
	const alone = step(kind, values);
	const usual = isTrigger
		? [chain(alone, lamp(amber), go(0.4))]
		: [run(alone, ...(definitionOf(kind).takesTime ? [] : [go(0.4)]))];
	const { chains, on = course() } = special[kind]?.(values) ?? {
		// A robot that can do this may have no wheels.
		chains: kindFor(usual) ? usual : [isTrigger ? chain(alone) : run(alone)]
	};
	const robots = [planRobot(sampleRobot(kindFor(chains)!))];
	const plan: Plan = makePlan({ name: 'Example', robots, chains });
	examples.set(kind, { plan, course: on });
	return examples.get(kind)!;
}

/** The first kind that has what all these steps need. */
function kindFor(chains: readonly Chain[]): RobotKind | undefined {
	const needs = chains.flatMap(({ trigger, steps }) => {
		const all: Step[] = trigger ? [trigger] : [];
		eachStep(steps, (step) => all.push(step));
		return all.flatMap(({ kind }) => definitionOf(kind).needs);
	});
	return robotKinds.find((kind) => canDo(kind, needs));
}
