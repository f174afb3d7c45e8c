/** What starts a chain. A trigger that fires while its chain still runs changes nothing. */
import { ears } from '../devices/ears/device';
import { edgeSensor } from '../devices/edgeSensor/device';
import { shell } from '../devices/shell/device';
import type { StepDefinition, Watch } from './definition';
import type { Signals } from './signals';
import { routine } from './own';
import { choice, duration, name } from './values';

/** Fires whenever something of this kind has happened. @param isMeant whether one of them counts */
const whenHappens = (
	kind: string,
	isMeant: (what: string | undefined) => boolean = () => true
): Watch => {
	let seen = 0;
	return {
		hasFired({ happened }) {
			const count = happened.count(kind);
			if (count === seen) return false;
			const isOne = happened.since(kind, seen).some(({ what }) => isMeant(what));
			seen = count;
			return isOne;
		}
	};
};

/** Fires whenever something becomes true; what is true from the start does not count. */
const whenBecomes = (isTrue: (signals: Signals) => boolean): Watch => {
	let before: boolean | undefined;
	return {
		hasFired(signals) {
			const now = isTrue(signals);
			const became = now && before === false;
			before = now;
			return became;
		}
	};
};

const trigger = {
	isTrigger: true,
	needs: []
} as const;

export const whenRunPressed: StepDefinition = {
	...trigger,
	kind: 'whenRunPressed',
	family: 'flow',
	level: 'first',
	glyph: 'M12 3v6M7.500 6.500a7.500 7.500 0 1 0 9 0',
	values: {},
	watch: () => {
		let isFirst = true;
		return {
			hasFired() {
				const fires = isFirst;
				isFirst = false;
				return fires;
			}
		};
	}
};

export const whenBump: StepDefinition = {
	...trigger,
	needs: [shell],
	kind: 'whenBump',
	family: 'sense',
	level: 'further',
	glyph: 'M4 4v16M8 12h12M12 8l-4 4 4 4M17 6l2-2M19 12h2M17 18l2 2',
	values: {},
	watch: () => whenHappens('bump')
};

export const whenTouched: StepDefinition = {
	...trigger,
	needs: [shell],
	kind: 'whenTouched',
	isByHand: true,
	family: 'sense',
	level: 'further',
	glyph:
		'M12 11V4.500a1.500 1.500 0 0 1 3 0V12l4 1.500c1 .5 1 2-.5 6.500h-7L6 14.500c-1-1.500 1-3 2.500-1.500L12 16',
	values: {},
	watch: () => whenHappens('hand')
};

export const whenHears: StepDefinition = {
	...trigger,
	needs: [ears],
	kind: 'whenHears',
	isByHand: true,
	family: 'sense',
	level: 'first',
	glyph:
		'M8 17c-2-2-3-4-3-7a7 7 0 0 1 14 0c0 4-4 4.500-4 8a3 3 0 0 1-5.500 1.500M9 10a3 3 0 0 1 6 0',
	values: { word: name('word', 'ahoy') },
	watch: ({ text }) => whenHappens('heard', (word) => isSameWord(word ?? '', text('word')))
};

/** However it is written. */
const isSameWord = (one: string, other: string): boolean =>
	one.trim().toLowerCase() === other.trim().toLowerCase();

export const whenReading: StepDefinition = {
	...trigger,
	kind: 'whenReading',
	family: 'sense',
	level: 'full',
	glyph: 'M3 12h18M4 18c4 0 4-12 8-12s4 12 8 12',
	values: {
		reading: { type: 'anything', initial: { expression: 'distanceAhead' } },
		direction: choice('fallsBelow', 'risesAbove'),
		limit: { type: 'anything', initial: { expression: '20*cm' } }
	},
	watch: ({ datum, text }) =>
		whenBecomes(() => {
			const [reading, limit] = [Number(datum('reading')), Number(datum('limit'))];
			return text('direction') === 'risesAbove' ? reading > limit : reading < limit;
		})
};

export const whenMessage: StepDefinition = {
	...trigger,
	kind: 'whenMessage',
	family: 'crew',
	level: 'full',
	glyph: 'M4 5h16v11H11l-4 4v-4H4zM8 9h8M8 12h5',
	values: { message: name('message', 'lamp lit') },
	watch: ({ text }) => ({ hasFired: ({ messages }) => messages.has(text('message')) })
};

export const every: StepDefinition = {
	...trigger,
	kind: 'every',
	family: 'flow',
	level: 'full',
	keepsGoing: true,
	glyph: 'M12 4a8 8 0 1 1-8 8M12 8v4l3 2M4 5v4.500h4.500',
	values: { period: duration(1, { minimum: 0.1 }) },
	watch: ({ number }) => {
		let rounds = 0;
		return {
			hasFired({ time }) {
				const passed = Math.floor(time / number('period') + 1e-9);
				const fires = passed > rounds;
				rounds = passed;
				return fires;
			}
		};
	}
};

export const whenLampPost: StepDefinition = {
	...trigger,
	kind: 'whenLampPost',
	family: 'sense',
	level: 'further',
	glyph: 'M12 21V9M9 21h6M12 9l-3-3 3-3 3 3zM5 6H3M21 6h-2',
	values: { post: name('lampPost', '') },
	watch: ({ text }) => whenHappens('post', (id) => text('post') === '' || id === text('post'))
};

export const whenEdge: StepDefinition = {
	...trigger,
	needs: [edgeSensor],
	kind: 'whenEdge',
	family: 'sense',
	level: 'further',
	glyph: 'M2 11h11v10M17 6v12M13.500 14.500 17 18l3.500-3.500',
	values: {},
	watch: () => whenBecomes(({ read }) => read('edgeAhead') === true)
};

export const triggers = [
	whenRunPressed,
	whenBump,
	whenTouched,
	whenHears,
	whenReading,
	whenLampPost,
	whenEdge,
	every,
	whenMessage,
	routine
];
