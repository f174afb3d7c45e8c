/** Glow: the lamps. */
import type { StepDefinition, ValueDefinition } from './definition';
import { choice, duration, ratio } from './values';

const side: ValueDefinition = { ...choice('both', 'left', 'right'), addedLater: true };
const colour: ValueDefinition = { type: 'colour', initial: '#ffb020' };

export const lamp: StepDefinition = {
	kind: 'lamp',
	family: 'glow',
	level: 'first',
	glyph: 'M9 9h6l2 8H7zM10 9V6.5a2 2 0 0 1 4 0V9M9 20h6M12 2v1.500',
	values: { colour, side, brightness: { ...ratio(1), addedLater: true } },
	firstValue: 'colour',
	needs: ['lamp'],
	run({ robot, number, text }) {
		robot.setLamp(text('side'), text('colour'), number('brightness'));
	}
};

export const blink: StepDefinition = {
	kind: 'blink',
	family: 'glow',
	level: 'further',
	glyph:
		'M9 11h6l2 7H7zM10 11V8.500a2 2 0 0 1 4 0V11M9 21h6M12 3v2M5 6l1.500 1.500M19 6l-1.500 1.500',
	values: { colour, side, period: duration(1, { minimum: 0.05, maximum: 60 }) },
	needs: ['lamp'],
	run({ robot, number, text }) {
		robot.setLamp(text('side'), text('colour'), 1, number('period'));
	}
};

export const lampOff: StepDefinition = {
	kind: 'lampOff',
	family: 'glow',
	level: 'further',
	glyph: 'M9 9h6l2 8H7zM10 9V6.5a2 2 0 0 1 4 0V9M9 20h6M4 4l16 17',
	values: { side },
	needs: ['lamp'],
	run({ robot, text }) {
		robot.setLamp(text('side'), '#000000', 0);
	}
};

export const glowSteps = [lamp, blink, lampOff];
