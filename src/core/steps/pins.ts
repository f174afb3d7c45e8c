/** Pins of a board: on and off, for a time or until changed. */
import { pinNumbers, pins as device } from '../devices/pins/device';
import type { StepDefinition } from './definition';
import type { Running } from './running';
import { afterwards } from './stopping';
import { choice, duration, plain } from './values';

const number = plain(1, { minimum: 1, maximum: pinNumbers.length, increment: 1 });
const state = choice('on', 'off');
/** A place in a list of pins; 0 is none. */
const another = { ...number, minimum: 0, initial: 0 };

const set = ({ ask }: Running, numbers: readonly number[], isOn: boolean) =>
	ask(device, 'set', {
		pins: pinNumbers.filter((pin) => numbers.some((number) => Math.round(number) === Number(pin))),
		isOn
	});

export const pin: StepDefinition = {
	kind: 'pin',
	family: 'travel',
	drives: true,
	level: 'first',
	glyph: 'M12 3v8M8.500 6 12 3l3.500 3M6 11h12v5H6zM9 16v5M15 16v5',
	values: { pin: number, state },
	firstForms: [{ pin: 5 }, { pin: 5, state: 'off' }],
	turned: { off: 'rotate(180 12 12)' },
	firstValue: 'pin',
	needs: [device],
	run: (running) => void set(running, [running.number('pin')], running.text('state') === 'on')
};

export const pinFor: StepDefinition = {
	kind: 'pinFor',
	family: 'travel',
	drives: true,
	level: 'first',
	glyph: 'M9 3v6M4 9h10v4H4zM6.500 13v5M11.500 13v3M18 15v3l2 1M18 12.500a5 5 0 1 1-.1 0',
	values: { pin: number, duration: duration(1) },
	firstValue: 'pin',
	needs: [device],
	takesTime: true,
	run(running) {
		const pins = [running.number('pin')];
		set(running, pins, true);
		return afterwards(running.pause(running.number('duration')), () => set(running, pins, false));
	}
};

export const pinsAtOnce: StepDefinition = {
	kind: 'pinsAtOnce',
	family: 'travel',
	drives: true,
	level: 'further',
	glyph: 'M6 3v6M12 3v6M18 3v6M4 9h16v5H4zM8 14v6M16 14v6',
	values: {
		first: number,
		second: { ...another, initial: 3 },
		third: another,
		fourth: another,
		state
	},
	needs: [device],
	run(running) {
		const pins = ['first', 'second', 'third', 'fourth'].map((name) => running.number(name));
		set(running, pins, running.text('state') === 'on');
	}
};

export const pinsOff: StepDefinition = {
	kind: 'pinsOff',
	family: 'travel',
	level: 'first',
	glyph: 'M6 11h12v5H6zM9 16v5M15 16v5M8 3l8 6M16 3 8 9',
	values: {},
	needs: [device],
	run({ ask }) {
		ask(device, 'clear', {});
	}
};

export const pinSteps = [pin, pinFor, pinsAtOnce, pinsOff];
