/** Steps that speak of wheels and of their motors. */
import { counters } from '../devices/counters/device';
import { motion } from '../devices/motion/device';
import { motorPorts, ports, type MotorPort } from '../devices/ports/device';
import { wheelsDevice } from '../devices/wheels/device';
import type { StepDefinition } from './definition';
import { ending, stopAfter, then } from './stopping';
import { angle, choice, duration, plain, power } from './values';

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
	},
	aim: ({ number }) => ({ seconds: number('duration') })
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
