/** Glow: the lamps. */
import { endLamps } from '../devices/endLamps/device';
import { lampDevice, lampSides } from '../devices/lamp/device';
import { lampGrid } from '../devices/lampGrid/device';
import type { StepDefinition, ValueDefinition } from './definition';
import type { Running } from './running';
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

/** A lantern. */
const lantern = [
	'......../...ffb020ffb020.../..ffb020ffb020ffb020ffb020../..ffb020ffe9a8ffe9a8ffb020..',
	'..ffb020ffe9a8ffe9a8ffb020../..ffb020ffb020ffb020ffb020../...ffb020ffb020.../........'
].join('/');

export const showPicture: StepDefinition = {
	kind: 'showPicture',
	family: 'glow',
	level: 'first',
	glyph: 'M4 4h16v16H4zM8 8h2v2H8zM14 8h2v2h-2zM8 14l4 2.500 4-2.500',
	values: { picture: { type: 'picture', initial: lantern } },
	firstValue: 'picture',
	needs: [lampGrid],
	run: ({ ask, text }) => void ask(lampGrid, 'show', { picture: text('picture') })
};

export const darkGrid: StepDefinition = {
	kind: 'darkGrid',
	family: 'glow',
	level: 'further',
	glyph: 'M4 4h16v16H4zM4 4l16 16',
	values: {},
	needs: [lampGrid],
	run: ({ ask }) => void ask(lampGrid, 'dark', {})
};

export const glowSteps = [lamp, blink, lampOff, showPicture, darkGrid];
