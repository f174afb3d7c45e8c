import { textOf, type StepDefinition } from './definition';

export const lamp: StepDefinition = {
	kind: 'lamp',
	family: 'glow',
	level: 'first',
	glyph: 'M9 9h6l2 8H7zM10 9V6.5a2 2 0 0 1 4 0V9M9 20h6M12 2v1.500',
	values: { colour: { type: 'colour', initial: '#ffb020' } },
	needs: ['lamp'],
	run: (values, controls) => {
		controls.setLamp(textOf(values, 'colour'));
		return undefined;
	}
};
