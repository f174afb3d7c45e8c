/** Crew: messages. Own: routines, which are steps made of steps. */
import type { StepDefinition } from './definition';
import { name } from './values';

export const send: StepDefinition = {
	kind: 'send',
	family: 'crew',
	level: 'full',
	glyph: 'M3 12 21 4l-6 17-4-7zM11 14 21 4',
	values: {
		message: name('message', 'lamp lit'),
		value: { type: 'anything', initial: 0, addedLater: true }
	},
	needs: [],
	run({ send, text, datum }) {
		const value = datum('value');
		send(text('message'), Array.isArray(value) ? [...value] : value);
	}
};

/** The top of a routine: a chain that runs where a step `call` names it. */
export const routine: StepDefinition = {
	kind: 'routine',
	family: 'own',
	level: 'full',
	isTrigger: true,
	glyph: 'M5 4h14v16H5zM9 9h6M9 12h6M9 15h3',
	values: { name: name('routine', 'side'), inputs: { type: 'inputs', initial: '' } },
	needs: []
};

export const call: StepDefinition = {
	kind: 'call',
	family: 'own',
	level: 'full',
	hasInputs: true,
	glyph: 'M5 4h9v16H5zM14 12h7M18 9l3 3-3 3M8 9h3M8 12h3',
	values: { routine: name('routine', 'side') },
	needs: [],
	run: (running) => running.call(running.text('routine'))
};

/** The inputs of a routine in order, from the text on its top. */
export const inputNames = (inputs: unknown): string[] =>
	String(inputs ?? '')
		.split(/[\s,]+/)
		.filter(Boolean);

export const crewSteps = [send];
export const ownSteps = [call];
