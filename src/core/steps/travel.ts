/** Travel: everything that moves a robot. */
import * as exact from '../exact';
import { curving } from '../devices/curving/device';
import { flying } from '../devices/flying/device';
import { motion } from '../devices/motion/device';
import { pacing } from '../devices/pacing/device';
import { persistence } from '../devices/persistence/device';
import { turning } from '../devices/turning/device';
import { wheelsDevice } from '../devices/wheels/device';
import { radians } from '../units/angles';
import type { Aiming, StepDefinition, ValueDefinition } from './definition';
import { flyingSteps } from './flying';
import { rollingSteps } from './rolling';
import type { Running } from './running';
import { ending, stop, stopAfter, then } from './stopping';
import { angle, choice, directions, duration, length, power } from './values';
import {
	drivePorts,
	goDegrees,
	goTurns,
	motor,
	steer,
	wheels,
	wheelsFor,
	wheelsTurns
} from './wheeled';

/** Glyphs are drawn for a turn to the right. */
const mirrored = { left: 'matrix(-1 0 0 1 24 0)' };

/** For the glyphs of what goes ahead; up and down have glyphs of their own. */
const drawn = { up: 'M6 12l6-6 6 6M6 19l6-6 6 6', down: 'M6 5l6 6 6-6M6 12l6 6 6-6' };
const towards = {
	back: 'rotate(180 12 12)',
	left: 'rotate(-90 12 12)',
	right: 'rotate(90 12 12)'
};

type Aside = 'left' | 'right' | 'up' | 'down';
/** A direction that only what flies can go in. */
const isAside = (direction: string): direction is Aside => direction in directions.needs!;

/** Lets it go in its direction, until told otherwise. */
function setOff({ ask, number, text }: Running): void {
	const direction = text('direction');
	const speed = number('speed');
	if (isAside(direction)) ask(flying, 'start', { direction, speed });
	else ask(motion, 'start', { speed: direction === 'back' ? -speed : speed });
}

const direction: ValueDefinition = { ...directions, addedLater: true };

/** Which way a direction is, and how it counts. */
const axes = {
	forward: ['ahead', 1],
	back: ['ahead', -1],
	left: ['left', 1],
	right: ['left', -1],
	up: ['up', 1],
	down: ['up', -1]
} as const;

export const go: StepDefinition = {
	kind: 'go',
	turned: towards,
	drawn,
	firstForms: [
		{ direction: 'forward' },
		{ direction: 'back' },
		{ direction: 'up' },
		{ direction: 'down' }
	],
	family: 'travel',
	drives: true,
	level: 'first',
	glyph: 'M12 20V5M6.5 10.5 12 5l5.5 5.5',
	values: {
		direction: directions,
		distance: length(0.3, { minimum: -10 }),
		speed: power(0.4)
	},
	firstValue: 'distance',
	needs: [motion, pacing],
	takesTime: true,
	run({ ask, number, text }) {
		const direction = text('direction');
		const [distance, speed] = [number('distance'), number('speed')];
		if (isAside(direction)) return ask(flying, 'go', { direction, distance, speed });
		return ask(pacing, 'go', { distance: direction === 'back' ? -distance : distance, speed });
	},
	aim({ number, text }) {
		const [axis, sign] = axes[text('direction') as keyof typeof axes];
		return { ahead: 0, left: 0, turn: 0, [axis]: sign * number('distance') };
	}
};

/** Degrees clockwise. */
const turnedBy = ({ number, text }: Aiming): number =>
	number('angle') * (text('direction') === 'right' ? 1 : -1);

export const turn: StepDefinition = {
	kind: 'turn',
	firstForms: [{ direction: 'left' }, { direction: 'right' }],
	turned: mirrored,
	family: 'travel',
	drives: true,
	level: 'first',
	glyph: 'M7 20v-8a5 5 0 0 1 5-5h6M14 3l4 4-4 4',
	values: { direction: choice('right', 'left'), angle: angle(90, { minimum: -3600 }) },
	firstValue: 'angle',
	needs: [motion, turning],
	takesTime: true,
	run: ({ ask, ...values }) => ask(turning, 'turn', { angle: turnedBy(values) }),
	aim: (values) => ({ ahead: 0, left: 0, turn: -radians(turnedBy(values)) })
};

export const goFor: StepDefinition = {
	kind: 'goFor',
	turned: towards,
	drawn,
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M9 20V5M4 10l5-5 5 5M18 14v3.500l2 1.500M18 12.500a5 5 0 1 1-.1 0',
	values: { direction, duration: duration(2), speed: power(0.4), ending, then },
	firstValue: 'duration',
	needs: [motion],
	takesTime: true,
	isTimed: true,
	run(running) {
		setOff(running);
		return stopAfter(running);
	},
	aim: ({ number }) => ({ seconds: number('duration') })
};

export const start: StepDefinition = {
	kind: 'start',
	turned: towards,
	drawn,
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M12 21V9M7 14l5-5 5 5M12 3v2M7 4.500l1 1.500M17 4.500 16 6',
	values: { direction, speed: power(0.4) },
	needs: [motion],
	run: setOff
};

export const stopMoving: StepDefinition = {
	kind: 'stop',
	family: 'travel',
	level: 'further',
	glyph: 'M8 3h8l5 5v8l-5 5H8l-5-5V8zM8.500 12h7',
	values: { ending, then },
	needs: [motion],
	run: stop
};

export const turnFor: StepDefinition = {
	kind: 'turnFor',
	firstForms: [{ direction: 'left' }, { direction: 'right' }],
	firstValue: 'duration',
	turned: mirrored,
	family: 'travel',
	drives: true,
	level: 'full',
	glyph:
		'M5 20v-8a5 5 0 0 1 5-5h4M11 3.500 14.500 7 11 10.500M18 15v3l2 1M18 12.500a5 5 0 1 1-.1 0',
	values: {
		direction: choice('right', 'left'),
		duration: duration(1),
		speed: power(0.3),
		ending,
		then
	},
	needs: [motion, wheelsDevice],
	takesTime: true,
	isTimed: true,
	run(running) {
		const speed = running.number('speed') * (running.text('direction') === 'right' ? 1 : -1);
		running.ask(wheelsDevice, 'drive', { left: speed, right: -speed });
		return stopAfter(running);
	},
	aim: ({ number }) => ({ seconds: number('duration') })
};

export const turnTo: StepDefinition = {
	kind: 'turnTo',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M12 3a9 9 0 1 1-.1 0M12 6l2.500 8-2.500-1.500L9.500 14zM12 1v2',
	values: { bearing: angle(0, { minimum: -360, maximum: 360, increment: 15 }) },
	needs: [motion, turning],
	takesTime: true,
	run: ({ ask, number }) => ask(turning, 'turnTo', { bearing: number('bearing') }),
	aim: ({ number }) => ({ facing: number('bearing'), ahead: 0, left: 0 })
};

export const arc: StepDefinition = {
	kind: 'arc',
	turned: mirrored,
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M5 21A14 14 0 0 1 18 7M13.500 4.500 18 7l-2.500 4.500',
	values: {
		direction: choice('right', 'left'),
		radius: length(0.3, { minimum: 0 }),
		angle: angle(90, { minimum: -3600 }),
		speed: power(0.4)
	},
	needs: [curving],
	takesTime: true,
	run({ ask, number, text }) {
		return ask(curving, 'arc', {
			direction: text('direction') === 'right' ? 'right' : 'left',
			radius: number('radius'),
			angle: number('angle'),
			speed: number('speed')
		});
	},
	aim({ number, text }) {
		const side = text('direction') === 'right' ? -1 : 1;
		const [radius, angle] = [number('radius'), radians(number('angle'))];
		return {
			ahead: radius * exact.sin(angle),
			left: side * radius * (1 - exact.cos(angle)),
			turn: side * angle
		};
	}
};

export const cruise: StepDefinition = {
	kind: 'cruise',
	family: 'travel',
	level: 'full',
	glyph: 'M4 17a8 8 0 1 1 16 0M12 17l4-6M4 20h16',
	values: { speed: power(0.4) },
	needs: [motion],
	run({ setCruise, number }) {
		setCruise(number('speed'));
	}
};

/** Of the measured moves that come after it. */
export const ifStuck: StepDefinition = {
	kind: 'ifStuck',
	family: 'travel',
	level: 'full',
	glyph: 'M20 4v16M4 12h9M9.500 8l4 4-4 4M16.500 8v8',
	values: { after: duration(2, { minimum: 0.5 }), then: choice('goOn', 'endPlan') },
	needs: [motion, persistence],
	run({ ask, number, text }) {
		ask(persistence, 'giveUpAfter', { seconds: text('then') === 'goOn' ? number('after') : 0 });
	}
};

export const waitStill: StepDefinition = {
	kind: 'waitStill',
	family: 'flow',
	level: 'further',
	glyph: 'M4 19h16M12 4v9M8 13h8M7 16h10',
	values: {},
	needs: [motion],
	takesTime: true,
	run: ({ ask }) => ask(motion, 'stand', {})
};

export const travelSteps = [
	go,
	turn,
	...flyingSteps,
	...rollingSteps,
	start,
	stopMoving,
	goFor,
	arc,
	turnTo,
	turnFor,
	goTurns,
	goDegrees,
	steer,
	wheels,
	wheelsFor,
	wheelsTurns,
	motor,
	cruise,
	ifStuck,
	drivePorts
];
