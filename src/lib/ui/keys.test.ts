import { describe, expect, it, vi } from 'vitest';
import { press, shownKeys, type Shortcuts } from './keys';

/** A key as a browser tells of it. */
function key(key: string, ...held: string[]): KeyboardEvent {
	const code = key === ' ' ? 'Space' : '';
	return { key, code, getModifierState: (each: string) => held.includes(each) } as KeyboardEvent;
}

const table = {
	undo: { keys: ['$mod+z'], action: 'a' },
	redo: { keys: ['$mod+Shift+z'], also: ['$mod+y'], action: 'b' },
	zoom: { keys: ['+', '-'], also: ['Shift++', 'Shift+-', '='], action: 'c' },
	press: { keys: ['Enter'], also: ['Space'], action: 'd' },
	move: { keys: ['Alt+ArrowUp', 'Alt+ArrowDown'], action: 'e' }
} satisfies Shortcuts;

describe('a table of keys', () => {
	it.each([
		[key('z', 'Control'), 'undo'],
		[key('Z', 'Control', 'Shift'), 'redo'],
		[key('y', 'Control'), 'redo'],
		[key('+'), 'larger'],
		[key('+', 'Shift'), 'larger'],
		[key('='), 'larger'],
		[key('_', 'Shift'), undefined],
		[key('-', 'Shift'), 'smaller'],
		[key(' '), 'press'],
		[key('Enter', 'Control'), undefined],
		[key('ArrowDown', 'Alt'), 'down'],
		[key('ArrowDown'), undefined],
		[key('z'), undefined]
	])('%# does what the key means, and nothing else', (event, meant) => {
		const done = vi.fn<(what: string) => void>();
		const isDone = press(event, table, {
			undo: () => done('undo'),
			redo: () => done('redo'),
			zoom: [() => done('larger'), () => done('smaller')],
			press: () => done('press'),
			move: [() => done('up'), () => done('down')]
		});
		expect(isDone).toBe(meant !== undefined);
		expect(done.mock.calls.flat()).toEqual(meant ? [meant] : []);
	});

	it('is shown as keys are written', () => {
		expect(Object.values(table).map((each) => shownKeys(each))).toEqual([
			'Ctrl Z',
			'Ctrl Shift Z',
			'+ −',
			'Enter',
			'Alt ↑ ↓'
		]);
		expect(shownKeys(table.move, 1)).toBe('Alt ↓');
	});
});
