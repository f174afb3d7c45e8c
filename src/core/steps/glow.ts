/** Glow: the lamps. */
import { endLamps } from '../devices/endLamps/device';
import { lampDevice, lampSides } from '../devices/lamp/device';
import type { StepDefinition, ValueDefinition } from './definition';
import type { Running } from './running';
import { pictureSteps } from './pictures';
import { choice, duration, ratio } from './values';

const side: ValueDefinition = {
	...choice(...lampSides),
	needs: { front: endLamps, back: endLamps },
	addedLater: true
};
const colour: ValueDefinition = { type: 'colour', initial: '#ffb020' };

function shine({ ask, text }: Running, colour: string, brightness: number, period = 0): void {
	const side = text('side') as (typeof lampSides)[number];
	ask(lampDevice, 'shine', { side, colour, brightness, period });
}

export const lamp: StepDefinition = {
	kind: 'lamp',
	family: 'glow',
	level: 'first',
	glyph: 'M9 9h6l2 8H7zM10 9V6.5a2 2 0 0 1 4 0V9M9 20h6M12 2v1.500',
	values: { colour, side, brightness: { ...ratio(1), addedLater: true } },
	firstValue: 'colour',
	needs: [lampDevice],
	run: (running) => shine(running, running.text('colour'), running.number('brightness'))
};

export const blink: StepDefinition = {
	kind: 'blink',
	family: 'glow',
	level: 'further',
	glyph:
		'M9 11h6l2 7H7zM10 11V8.500a2 2 0 0 1 4 0V11M9 21h6M12 3v2M5 6l1.500 1.500M19 6l-1.500 1.500',
	values: { colour, side, period: duration(1, { minimum: 0.05, maximum: 60 }) },
	needs: [lampDevice],
	run: (running) => shine(running, running.text('colour'), 1, running.number('period'))
};

export const lampOff: StepDefinition = {
	kind: 'lampOff',
	family: 'glow',
	level: 'further',
	glyph: 'M9 9h6l2 8H7zM10 9V6.5a2 2 0 0 1 4 0V9M9 20h6M4 4l16 17',
	values: { side },
	needs: [lampDevice],
	run: (running) => shine(running, '#000000', 0)
};

export const glowSteps = [lamp, blink, lampOff, ...pictureSteps];
