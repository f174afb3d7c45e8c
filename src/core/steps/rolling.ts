/** Travel of what rolls along a bearing, wherever its front points. */
import { rolling } from '../devices/rolling/device';
import type { StepDefinition } from './definition';
import { ending, stopAfter, then } from './stopping';
import { angle, duration, length, power } from './values';

const bearing = angle(0, { minimum: -360, maximum: 360, increment: 15 });

export const roll: StepDefinition = {
	kind: 'roll',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M10 14a6 6 0 1 1-.1 0M12.500 11.500 20 4M15 4h5v5M2.500 20.500h15',
	values: { bearing, speed: power(0.3) },
	needs: [rolling],
	isTimed: true,
	run({ ask, number }) {
		ask(rolling, 'roll', { bearing: number('bearing'), speed: number('speed') });
	}
};

export const rollTimed: StepDefinition = {
	kind: 'rollTimed',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph:
		'M8 17a5 5 0 1 1-.1 0M11.500 8.500 17 3M12.500 3H17v4.500M18 15v3l2 1M18 12.500a5 5 0 1 1-.1 0',
	values: { duration: duration(2), bearing, speed: power(0.3), ending, then },
	needs: [rolling],
	takesTime: true,
	isTimed: true,
	run(running) {
		const [bearing, speed] = [running.number('bearing'), running.number('speed')];
		running.ask(rolling, 'roll', { bearing, speed });
		return stopAfter(running);
	},
	aim: ({ number }) => ({ facing: number('bearing'), seconds: number('duration') })
};

export const rollFar: StepDefinition = {
	kind: 'rollFar',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M8 17a5 5 0 1 1-.1 0M11.500 8.500 17 3M12.500 3H17v4.500M3 21h18M3 19v4M21 19v4',
	values: { distance: length(0.5, { minimum: -10 }), bearing, speed: power(0.3), then },
	needs: [rolling],
	takesTime: true,
	isTimed: true,
	run: ({ ask, number, text }) =>
		ask(rolling, 'rollFar', {
			bearing: number('bearing'),
			distance: number('distance'),
			speed: number('speed'),
			isEndingStill: text('then') === 'waitStill'
		}),
	aim: ({ number }) => ({ facing: number('bearing'), ahead: number('distance'), left: 0 })
};

export const rollingSteps = [roll, rollTimed, rollFar];
