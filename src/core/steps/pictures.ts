/** Glow: pictures on a lamp grid. */
import { lampGrid, mostColumns, turns, type GridOrder } from '../devices/lampGrid/device';
import { writeFilm } from '../pictures/film';
import { lettered } from '../pictures/letters';
import { written } from '../types';
import type { StepDefinition } from './definition';
import type { Running } from './running';
import { choice, count, ratio } from './values';

/** A lantern, and the same with a smaller flame. */
const lantern = [
	'......../...ffb020ffb020.../..ffb020ffb020ffb020ffb020../..ffb020ffe9a8ffe9a8ffb020..',
	'..ffb020ffe9a8ffe9a8ffb020../..ffb020ffb020ffb020ffb020../...ffb020ffb020.../........'
].join('/');
const embers = [
	'......../......../...ff7a00ff7a00.../..ff7a00ffb020ffb020ff7a00..',
	'..ff7a00ffb020ffb020ff7a00../...ff7a00ff7a00.../......../........'
].join('/');

type Told = Pick<Running, 'number' | 'text' | 'datum'>;

const hexOf = (columns: readonly number[]): string =>
	columns
		.slice(0, mostColumns)
		.map((bits) => bits.toString(16).padStart(2, '0'))
		.join('');

/** What each of these steps tells the grid. */
const orders: Readonly<Record<string, (told: Told) => GridOrder>> = {
	showPicture: ({ text }) => ({ name: 'show', values: { picture: text('picture') } }),
	playPictures: ({ text, number }) => ({
		name: 'play',
		values: {
			film: text('film'),
			beat: 60 / number('tempo'),
			times: text('then') === 'untilTold' ? 0 : number('times')
		}
	}),
	runText: ({ datum, text, number }) => ({
		name: 'run',
		values: {
			columns: hexOf(lettered(written(datum('text')))),
			colour: text('colour'),
			pace: number('pace')
		}
	}),
	turnGrid: ({ text }) => ({
		name: 'turn',
		values: { way: text('way') as (typeof turns)[number] }
	}),
	gridBrightness: ({ number }) => ({ name: 'brightness', values: { part: number('level') } }),
	darkGrid: () => ({ name: 'dark', values: {} })
};

/** What a step tells a lamp grid; undefined of a step that tells it nothing. */
export const gridOrder = (kind: string, told: Told): GridOrder | undefined => orders[kind]?.(told);

/** It puts something else in the place of what is shown. */
export const replacesPicture = (kind: string): boolean =>
	kind in orders && kind !== 'turnGrid' && kind !== 'gridBrightness';

function step(
	definition: Omit<StepDefinition, 'family' | 'needs' | 'run'> & { readonly kind: string }
): StepDefinition {
	return {
		...definition,
		family: 'glow',
		needs: [lampGrid],
		run(running) {
			const { name, values } = orders[definition.kind]!(running);
			const wait = running.ask(lampGrid, name, values as never);
			return 'then' in definition.values && running.text('then') === 'wait' ? wait : undefined;
		}
	};
}

const tempo = { type: 'number', quantity: 'number', minimum: 20, maximum: 600 } as const;
const pace = { type: 'number', quantity: 'number', minimum: 1, maximum: 40 } as const;

export const pictureSteps: readonly StepDefinition[] = [
	step({
		kind: 'showPicture',
		level: 'first',
		glyph: 'M4 4h16v16H4zM8 8h2v2H8zM14 8h2v2h-2zM8 14l4 2.500 4-2.500',
		values: { picture: { type: 'picture', initial: lantern } },
		firstValue: 'picture'
	}),
	step({
		kind: 'playPictures',
		level: 'first',
		glyph: 'M3 7h12v12H3zM7 7V4h13v12h-5M7 10.500l4.500 2.500L7 15.500z',
		values: {
			film: {
				type: 'film',
				initial: writeFilm([
					{ picture: lantern, beats: 1 },
					{ picture: embers, beats: 1 }
				])
			},
			times: count(4),
			tempo: { ...tempo, increment: 10, initial: 120 },
			then: choice('wait', 'carryOn', 'untilTold')
		},
		firstValue: 'film',
		takesTime: true
	}),
	step({
		kind: 'runText',
		level: 'first',
		glyph: 'M3 6h18v12H3zM7 9v6M7 12h3.500M10.500 9v6M15.500 9v6M14 9h3M14 15h3',
		values: {
			text: { type: 'anything', initial: 'HELLO' },
			colour: { type: 'colour', initial: '#ffb020' },
			pace: { ...pace, increment: 1, initial: 10 },
			then: choice('wait', 'carryOn')
		},
		firstValue: 'text',
		takesTime: true
	}),
	step({
		kind: 'turnGrid',
		level: 'further',
		glyph: 'M6 9h9v9H6zM12 4a7 7 0 0 1 7 7M16.500 9l2.500 2.500L21.500 9',
		values: { way: choice(...turns) }
	}),
	step({
		kind: 'gridBrightness',
		level: 'further',
		glyph: 'M4 4h16v16H4zM12 8.500a3.500 3.500 0 0 1 0 7zM12 6v1M12 17v1M7 12H6M18 12h-1',
		values: { level: ratio(0.5) }
	}),
	step({
		kind: 'darkGrid',
		level: 'further',
		glyph: 'M4 4h16v16H4zM4 4l16 16',
		values: {}
	})
];
