/** Flow: in what order, how often, and whether at all. */
import type { StepDefinition } from './definition';
import { choice, condition, count, duration } from './values';

export const wait: StepDefinition = {
	kind: 'wait',
	family: 'flow',
	level: 'first',
	glyph: 'M7 3h10M7 21h10M8 3c0 5 8 6 8 9s-8 4-8 9M16 3c0 5-8 6-8 9s8 4 8 9',
	values: { duration: duration(1) },
	firstValue: 'duration',
	needs: [],
	takesTime: true,
	run: ({ pause, number }) => pause(number('duration'))
};

export const waitUntil: StepDefinition = {
	kind: 'waitUntil',
	family: 'flow',
	level: 'further',
	glyph: 'M6 3h9M6 21h9M7 3c0 5 7 6 7 9s-7 4-7 9M14 3c0 3-3.500 5-5 6.500M19 13v4M19 20v.5',
	values: { condition: condition('distanceAhead < 20*cm') },
	needs: [],
	takesTime: true,
	run: ({ truth }) => ({ isOver: () => truth('condition') })
};

export const repeat: StepDefinition = {
	kind: 'repeat',
	family: 'flow',
	level: 'first',
	hasBody: true,
	glyph: 'M12 4a8 8 0 1 1-7.500 5.200M12 8a4 4 0 1 0 4 4M4 4v5.500h5.500',
	values: { times: count(4) },
	firstValue: 'times',
	needs: [],
	run: (running) => running.loop({ times: running.number('times') })
};

export const forever: StepDefinition = {
	kind: 'forever',
	family: 'flow',
	level: 'further',
	hasBody: true,
	isLoop: true,
	isLast: true,
	glyph: 'M7 8.500a3.500 3.500 0 1 0 0 7c4 0 6-7 10-7a3.500 3.500 0 1 1 0 7c-4 0-6-7-10-7z',
	values: {},
	needs: [],
	run: (running) => running.loop({})
};

export const until: StepDefinition = {
	kind: 'until',
	family: 'flow',
	level: 'further',
	hasBody: true,
	isLoop: true,
	glyph: 'M12 4a8 8 0 1 1-7.500 5.200M4 4v5.500h5.500M12 8.500v5M12 16v.5',
	values: { condition: condition('distanceAhead < 20*cm') },
	needs: [],
	run: (running) => running.loop({ until: 'condition' })
};

export const choose: StepDefinition = {
	kind: 'choose',
	family: 'flow',
	level: 'further',
	hasBody: true,
	branches: ['when', 'otherwise'],
	glyph:
		'M12 21v-7M12 14 5.500 7.500V3M12 14l6.500-6.500V3M3 5.500 5.500 3 8 5.500M16 5.500 18.500 3 21 5.500',
	values: {},
	needs: [],
	run: (running) => running.choose()
};

export const when: StepDefinition = {
	kind: 'when',
	family: 'flow',
	level: 'further',
	hasBody: true,
	isBranch: true,
	glyph: 'M9 9a3 3 0 1 1 4 3c-1 .5-1 1-1 2.500M12 18v.5',
	values: { condition: condition('distanceAhead < 20*cm') },
	needs: []
};

export const otherwise: StepDefinition = {
	kind: 'otherwise',
	family: 'flow',
	level: 'further',
	hasBody: true,
	isBranch: true,
	glyph: 'M6 6l12 12M18 12v6h-6',
	values: {},
	needs: []
};

export const together: StepDefinition = {
	kind: 'together',
	family: 'flow',
	level: 'full',
	hasBody: true,
	branches: ['side'],
	glyph: 'M12 2v4M6 6h12M6 6v12M18 6v12M6 18h12M12 18v4',
	values: {},
	needs: [],
	run: (running) => running.sideBySide()
};

export const side: StepDefinition = {
	kind: 'side',
	family: 'flow',
	level: 'full',
	hasBody: true,
	isBranch: true,
	glyph: 'M12 3v18M8 7l4-4 4 4',
	values: {},
	needs: []
};

export const leave: StepDefinition = {
	kind: 'leave',
	family: 'flow',
	level: 'full',
	isLast: true,
	glyph: 'M14 5a8 8 0 1 0 0 14M10 12h11M17.500 8.500 21 12l-3.500 3.500',
	values: {},
	needs: [],
	run: (running) => running.leaveLoop()
};

export const end: StepDefinition = {
	kind: 'end',
	family: 'flow',
	level: 'further',
	isLast: true,
	glyph: 'M12 3v9M5 16h14M8 20h8',
	values: { what: choice('chain', 'everything') },
	needs: [],
	run(running) {
		if (running.text('what') === 'everything') running.endAll();
		else running.endChain();
	}
};

export const flowSteps = [
	wait,
	repeat,
	waitUntil,
	forever,
	until,
	choose,
	when,
	otherwise,
	together,
	side,
	leave,
	end
];
