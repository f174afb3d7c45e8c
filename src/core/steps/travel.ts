import { radians } from '../units/angles';
import { numberOf, textOf, type StepDefinition } from './definition';

export const go: StepDefinition = {
	kind: 'go',
	family: 'travel',
	level: 'first',
	glyph: 'M12 20V5M6.5 10.5 12 5l5.5 5.5',
	values: {
		direction: { type: 'choice', options: ['forward', 'back'], initial: 'forward' },
		distance: {
			type: 'number',
			quantity: 'length',
			minimum: 0.01,
			maximum: 10,
			increment: 0.01,
			initial: 0.3
		},
		speed: {
			type: 'number',
			quantity: 'ratio',
			minimum: 0.05,
			maximum: 1,
			increment: 0.05,
			initial: 0.4
		}
	},
	needs: ['wheels', 'counters'],
	takesTime: true,
	run: (values, controls) => {
		const distance = numberOf(values, 'distance');
		const signed = textOf(values, 'direction') === 'back' ? -distance : distance;
		return controls.travel(signed, numberOf(values, 'speed'));
	}
};

export const turn: StepDefinition = {
	kind: 'turn',
	family: 'travel',
	level: 'first',
	glyph: 'M7 20v-8a5 5 0 0 1 5-5h6M14 3l4 4-4 4',
	values: {
		direction: { type: 'choice', options: ['right', 'left'], initial: 'right' },
		angle: {
			type: 'number',
			quantity: 'angle',
			minimum: 1,
			maximum: 3600,
			increment: 1,
			initial: 90
		}
	},
	needs: ['wheels', 'gyro'],
	takesTime: true,
	run: (values, controls) => {
		const angle = radians(numberOf(values, 'angle'));
		return controls.turn(textOf(values, 'direction') === 'right' ? -angle : angle);
	}
};
