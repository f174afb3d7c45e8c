import { numberOf, type StepDefinition } from './definition';

export const whenRunPressed: StepDefinition = {
	kind: 'whenRunPressed',
	family: 'flow',
	level: 'first',
	isTrigger: true,
	glyph: 'M12 3v6M7.500 6.500a7.500 7.500 0 1 0 9 0',
	values: {},
	needs: []
};

export const wait: StepDefinition = {
	kind: 'wait',
	family: 'flow',
	level: 'first',
	glyph: 'M7 3h10M7 21h10M8 3c0 5 8 6 8 9s-8 4-8 9M16 3c0 5-8 6-8 9s8 4 8 9',
	values: {
		duration: {
			type: 'number',
			quantity: 'duration',
			minimum: 0.01,
			maximum: 600,
			increment: 0.1,
			initial: 1
		}
	},
	needs: [],
	takesTime: true,
	run: (values, controls) => controls.pause(numberOf(values, 'duration'))
};

export const repeat: StepDefinition = {
	kind: 'repeat',
	family: 'flow',
	level: 'further',
	hasBody: true,
	glyph: 'M12 4a8 8 0 1 1-7.500 5.200M12 8a4 4 0 1 0 4 4M4 4v5.500h5.500',
	values: {
		times: {
			type: 'number',
			quantity: 'count',
			minimum: 1,
			maximum: 1000,
			increment: 1,
			initial: 4
		}
	},
	needs: [],
	rounds: (values) => numberOf(values, 'times')
};
