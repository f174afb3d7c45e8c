import type { StepDefinition } from '../../src/core/steps/definition';
import { length } from '../../src/core/steps/values';
import { float } from './device';

export const sinkFloat: StepDefinition = {
	kind: 'sinkFloat',
	family: 'sense',
	level: 'first',
	glyph: 'M12 3v12M8 11l4 4 4-4M4 20h16',
	values: { depth: length(0.2, { maximum: 1 }) },
	firstValue: 'depth',
	needs: [float],
	takesTime: true,
	run: ({ ask, number }) => ask(float, 'sink', { depth: number('depth') })
};
