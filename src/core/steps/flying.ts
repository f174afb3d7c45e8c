/** Travel of what flies, beside what every robot can do. */
import { flipDirections, flying } from '../devices/flying/device';
import { motion } from '../devices/motion/device';
import type { StepDefinition } from './definition';
import { choice, duration } from './values';

export const takeOff: StepDefinition = {
	kind: 'takeOff',
	family: 'travel',
	drives: true,
	level: 'first',
	glyph: 'M12 16V4M7.500 8.500 12 4l4.500 4.500M4 20h16',
	values: {},
	needs: [flying],
	takesTime: true,
	run: ({ ask }) => ask(flying, 'takeOff', {})
};

export const land: StepDefinition = {
	kind: 'land',
	family: 'travel',
	drives: true,
	level: 'first',
	glyph: 'M12 3v12M7.500 10.500 12 15l4.500-4.500M4 20h16',
	values: {},
	needs: [flying],
	takesTime: true,
	run: ({ ask }) => ask(flying, 'land', {})
};

export const hover: StepDefinition = {
	kind: 'hover',
	family: 'travel',
	level: 'further',
	glyph: 'M4 9h6M14 9h6M7 9v3h10V9M9 12v2h6v-2M5 19c2-1.500 3-1.500 5 0s3 1.500 5 0 3-1.500 4 0',
	values: { duration: duration(2) },
	needs: [motion, flying],
	takesTime: true,
	run({ ask, pause, number }) {
		ask(motion, 'stop', { isCoasting: false });
		return pause(number('duration'));
	}
};

export const flip: StepDefinition = {
	kind: 'flip',
	turned: { back: 'matrix(-1 0 0 1 24 0)', left: 'rotate(-90 12 12)', right: 'rotate(90 12 12)' },
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M5 14a7 7 0 1 1 7 6M12 20l3-2.500M12 20l2.500 2.500M9 12h6',
	values: { direction: choice(...flipDirections) },
	needs: [flying],
	takesTime: true,
	run: ({ ask, text }) =>
		ask(flying, 'flip', { direction: text('direction') as (typeof flipDirections)[number] })
};

export const cutMotors: StepDefinition = {
	kind: 'cutMotors',
	family: 'travel',
	drives: true,
	level: 'full',
	glyph: 'M4 5h6M14 5h6M7 5v3h10V5M12 11v5M9.500 14l2.500 2.500 2.500-2.500M5 21h14',
	values: {},
	needs: [flying],
	takesTime: true,
	run: ({ ask }) => ask(flying, 'cut', {})
};

export const flyingSteps = [takeOff, land, hover, flip, cutMotors];
