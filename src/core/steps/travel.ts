/** Travel: everything that moves a robot. */
import { counters } from '../devices/counters/device';
import { curving } from '../devices/curving/device';
import { flying } from '../devices/flying/device';
import { motion } from '../devices/motion/device';
import { pacing } from '../devices/pacing/device';
import { persistence } from '../devices/persistence/device';
import { motorPorts, ports, type MotorPort } from '../devices/ports/device';
import { turning } from '../devices/turning/device';
import { wheels as wheelsDevice } from '../devices/wheels/device';
import { radians } from '../units/angles';
import type { StepDefinition, ValueDefinition } from './definition';
import { flyingSteps } from './flying';
import { rollingSteps } from './rolling';
import type { Running } from './running';
import { angle, choice, directions, duration, length, plain, power } from './values';
import { ending, stop, stopAfter, then } from './stopping';

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
	}
};

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
	run: ({ ask, number, text }) =>
		ask(turning, 'turn', {
			angle: radians(number('angle')) * (text('direction') === 'right' ? -1 : 1)
		})
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
	}
};

export const goTurns: StepDefinition = {
	kind: 'goTurns',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph: 'M12 4a8 8 0 1 1-5.700 2.400M12 4 8.500 1.500M12 4 8.500 7M12 12v-4',
	values: { turns: plain(2, { minimum: -100, maximum: 100, increment: 0.5 }), speed: power(0.4) },
	needs: [counters],
	takesTime: true,
	run({ ask, number }) {
		const turns = number('turns');
		return ask(counters, 'turns', { left: turns, right: turns, speed: number('speed') });
	}
};

export const goDegrees: StepDefinition = {
	kind: 'goDegrees',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph: 'M12 4a8 8 0 1 0 8 8M12 4v8h8M17 3.500a1.500 1.500 0 1 0 .1 0',
	values: {
		angle: angle(360, { minimum: -36_000, maximum: 36_000, increment: 15 }),
		speed: power(0.4)
	},
	needs: [counters],
	takesTime: true,
	run({ ask, number }) {
		const turns = number('angle') / 360;
		return ask(counters, 'turns', { left: turns, right: turns, speed: number('speed') });
	}
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
	}
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
	run: ({ ask, number }) => ask(turning, 'turnTo', { bearing: number('bearing') })
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
			angle: radians(number('angle')),
			speed: number('speed')
		});
	}
};

export const wheels: StepDefinition = {
	kind: 'wheels',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph: 'M6 4v16M18 4v16M3.500 8h5M3.500 16h5M15.500 8h5M15.500 16h5M6 12h12',
	values: { left: power(0.4), right: power(0.4) },
	needs: [wheelsDevice],
	run({ ask, number }) {
		ask(wheelsDevice, 'drive', { left: number('left'), right: number('right') });
	}
};

export const wheelsFor: StepDefinition = {
	kind: 'wheelsFor',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph:
		'M5 3v12M14 3v12M2.500 6h5M2.500 12h5M11.500 6h5M11.500 12h3M5 9h9M18 15v3l2 1M18 12.500a5 5 0 1 1-.1 0',
	values: { left: power(0.4), right: power(0.3), duration: duration(1), ending, then },
	needs: [motion, wheelsDevice],
	takesTime: true,
	isTimed: true,
	run(running) {
		running.ask(wheelsDevice, 'drive', {
			left: running.number('left'),
			right: running.number('right')
		});
		return stopAfter(running);
	}
};

const wheelTurns = plain(1, { minimum: -100, maximum: 100, increment: 0.5 });

export const wheelsTurns: StepDefinition = {
	kind: 'wheelsTurns',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph:
		'M6 8v12M18 8v12M3.500 11h5M3.500 17h5M15.500 11h5M15.500 17h5M8 4.500a5 5 0 0 1 8 0M16 2v2.500h-2.500',
	values: { left: wheelTurns, right: { ...wheelTurns, initial: 2 }, speed: power(0.4) },
	needs: [counters],
	takesTime: true,
	run: ({ ask, number }) =>
		ask(counters, 'turns', {
			left: number('left'),
			right: number('right'),
			speed: number('speed')
		})
};

/**
 * Hard left (-1) to hard right (1). Half-way to a side the wheel of that side stands; all the way it
 * runs backward, and the robot turns on the spot.
 */
export const steer: StepDefinition = {
	kind: 'steer',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph:
		'M12 3a9 9 0 1 1-.1 0M12 10.500a1.500 1.500 0 1 1-.1 0M3.500 10.500h7M13.500 10.500h7M12 13.500v7',
	values: { steering: { ...power(0), quantity: 'ratio' }, speed: power(0.3) },
	needs: [wheelsDevice],
	run({ ask, number }) {
		const [steering, speed] = [number('steering'), number('speed')];
		ask(wheelsDevice, 'drive', {
			left: speed * Math.min(1, 1 + 2 * steering),
			right: speed * Math.min(1, 1 - 2 * steering)
		});
	}
};

export const motor: StepDefinition = {
	kind: 'motor',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph: 'M4 8h11v8H4zM15 10h3v4h-3M18 12h3M7 8V5h5v3M7 16v3h5v-3',
	values: { port: choice(...ports), power: power(0.4) },
	needs: [motorPorts],
	run({ ask, number, text }) {
		ask(motorPorts, 'motor', { port: text('port') as MotorPort, power: number('power') });
	}
};

export const drivePorts: StepDefinition = {
	kind: 'drivePorts',
	family: 'travel',
	level: 'full',
	glyph: 'M6 3v5M10 3v5M4 8h8v3a4 4 0 0 1-8 0zM8 15v3a3 3 0 0 0 6 0v-4a3 3 0 0 1 6 0v7',
	values: { left: choice(...ports), right: { ...choice(...ports), initial: 'B' } },
	needs: [motorPorts],
	run({ ask, text }) {
		ask(motorPorts, 'use', {
			left: text('left') as MotorPort,
			right: text('right') as MotorPort
		});
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
