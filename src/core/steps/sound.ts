import { numberOf, type StepDefinition } from './definition';

export const tone: StepDefinition = {
	kind: 'tone',
	family: 'sound',
	level: 'first',
	glyph: 'M5 10v4M9 7v10M13 4v16M17 8v8M21 11v2',
	values: {
		pitch: {
			type: 'number',
			quantity: 'frequency',
			minimum: 50,
			maximum: 4000,
			increment: 10,
			initial: 440
		},
		length: {
			type: 'number',
			quantity: 'duration',
			minimum: 0.05,
			maximum: 10,
			increment: 0.05,
			initial: 0.5
		}
	},
	needs: ['speaker'],
	takesTime: true,
	run: (values, controls) => {
		const length = numberOf(values, 'length');
		controls.playTone(numberOf(values, 'pitch'), length);
		return controls.pause(length);
	}
};
