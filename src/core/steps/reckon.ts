/** Reckon: variables, lists, the log. Sense: what a reading counts from. */
import type { Datum } from '../types';
import { counters } from '../devices/counters/device';
import { gyro } from '../devices/gyro/device';
import { motion } from '../devices/motion/device';
import { pacing } from '../devices/pacing/device';
import type { Cell } from '../expressions/evaluate';
import type { Running } from './running';
import type { StepDefinition, ValueDefinition } from './definition';
import { choice, name, plain } from './values';

/** Items that a list holds at most. */
export const maximumItems = 1000;

/** Items of a list that are copied for the cost of a step. */
const itemsPerStep = 50;

const anything = (initial: number | string): ValueDefinition => ({ type: 'anything', initial });

export const set: StepDefinition = {
	kind: 'set',
	family: 'reckon',
	level: 'full',
	glyph: 'M4 5h16v14H4zM8 10h8M8 14h8',
	values: { variable: name('variable', 'n'), value: anything(0) },
	needs: [],
	run(running) {
		const value = running.datum('value');
		running.cell.value = Array.isArray(value) ? copyOf(value, running) : value;
	}
};

export const change: StepDefinition = {
	kind: 'change',
	family: 'reckon',
	level: 'full',
	glyph: 'M4 5h16v14H4zM8 12h8M12 8v8',
	values: { variable: name('variable', 'n'), by: anything(1) },
	needs: [],
	run({ cell, datum }) {
		cell.value = Number(cell.value ?? 0) + Number(datum('by'));
	}
};

function copyOf(list: readonly Datum[], { spend }: Running): Datum[] {
	spend(Math.ceil(list.length / itemsPerStep));
	return [...list];
}

/** The list in a variable; a new one when there is none. */
function listIn(cell: Cell): Datum[] {
	if (!Array.isArray(cell.value)) cell.value = [];
	return cell.value;
}

export const newList: StepDefinition = {
	kind: 'newList',
	family: 'reckon',
	level: 'full',
	glyph: 'M9 6h11M9 12h11M9 18h11M4 6h1M4 12h1M4 18h1',
	values: { variable: name('variable', 'turns') },
	needs: [],
	run({ cell }) {
		cell.value = [];
	}
};

export const addItem: StepDefinition = {
	kind: 'addItem',
	family: 'reckon',
	level: 'full',
	glyph: 'M9 6h11M9 12h6M4 6h1M4 12h1M4 18h1M18 14v7M14.500 17.500h7',
	values: { value: anything(1), variable: name('variable', 'turns') },
	needs: [],
	run({ cell, text, datum, note }) {
		const list = listIn(cell);
		const value = datum('value');
		if (list.length < maximumItems) list.push(Array.isArray(value) ? value.length : value);
		else note('note.listFull', { name: text('variable'), maximum: maximumItems });
	}
};

export const setItem: StepDefinition = {
	kind: 'setItem',
	family: 'reckon',
	level: 'full',
	glyph: 'M9 6h11M9 18h11M4 6h1M4 12h1M4 18h1M9 10h11v4H9z',
	values: {
		index: plain(1, { minimum: 1, maximum: maximumItems, quantity: 'count' }),
		variable: name('variable', 'turns'),
		value: anything(0)
	},
	needs: [],
	run({ cell, text, number, datum, note }) {
		const list = listIn(cell);
		const index = number('index');
		const value = datum('value');
		if (index <= list.length) list[index - 1] = Array.isArray(value) ? value.length : value;
		else note('note.noItem', { name: text('variable'), index, length: list.length });
	}
};

export const log: StepDefinition = {
	kind: 'log',
	family: 'reckon',
	level: 'further',
	glyph: 'M5 4h14v16H5zM8.500 8.500h7M8.500 12h7M8.500 15.500h4',
	values: { value: anything('Here') },
	needs: [],
	run({ datum, log }) {
		log(datum('value'));
	}
};

export const zero: StepDefinition = {
	kind: 'zero',
	family: 'sense',
	level: 'full',
	glyph: 'M4 19h16M12 4a4 6 0 1 1-.1 0M4 17v4M20 17v4',
	values: { what: choice('travelled', 'wheels', 'heading') },
	needs: [motion],
	run({ ask, text }) {
		const what = text('what');
		ask(what === 'heading' ? gyro : what === 'wheels' ? counters : pacing, 'zero', {});
	}
};

export const senseSteps = [zero];
export const reckonSteps = [set, change, newList, addItem, setItem, log];
