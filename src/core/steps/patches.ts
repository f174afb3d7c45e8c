/** Patches of a screen that drive, and the face that it shows. */
import { patchesDevice as device } from '../devices/patches/device';
import { screen } from '../devices/screen/device';
import type { StepDefinition } from './definition';
import { afterwards } from './stopping';
import { duration, ratio } from './values';

export const patches: StepDefinition = {
	kind: 'patches',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M4 5h16v14H4zM7 8h4v4H7zM13 8h4v4h-4zM8 15.500h8',
	values: { left: ratio(1), right: ratio(1) },
	needs: [device],
	run({ ask, number }) {
		ask(device, 'shine', { left: number('left'), right: number('right') });
	}
};

export const patchesFor: StepDefinition = {
	kind: 'patchesFor',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M3 4h13v11H3zM5.500 7h3v3h-3zM10.500 7h3v3h-3zM18 15v3l2 1M18 12.500a5 5 0 1 1-.1 0',
	values: { left: ratio(1), right: ratio(0.5), duration: duration(1) },
	needs: [device],
	takesTime: true,
	run({ ask, number, pause }) {
		ask(device, 'shine', { left: number('left'), right: number('right') });
		return afterwards(pause(number('duration')), () => ask(device, 'shine', { left: 0, right: 0 }));
	}
};

export const face: StepDefinition = {
	kind: 'face',
	family: 'glow',
	level: 'first',
	glyph: 'M4 4h16v16H4zM8.500 9v1M15.500 9v1M8 14.500q4 3.500 8 0',
	values: { face: { type: 'face', initial: 'glad' } },
	firstValue: 'face',
	needs: [screen],
	run({ ask, text }) {
		ask(screen, 'show', { face: text('face') });
	}
};
