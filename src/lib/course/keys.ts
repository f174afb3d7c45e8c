/** What keys do at the desk of a course. */
import { deskKeys } from '$lib/desk/keys';
import { zoomKeys } from '$lib/floor/keys';
import type { KeySheet, Shortcuts } from '$lib/ui/keys';
import type { Tool } from './course-bench.svelte';

/** While the floor has the keyboard. */
export const floorKeys = {
	move: {
		keys: ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'],
		action: 'shortcut.desk.move'
	},
	moveFinely: {
		keys: ['Shift+ArrowUp', 'Shift+ArrowDown', 'Shift+ArrowLeft', 'Shift+ArrowRight'],
		action: 'shortcut.desk.moveFinely'
	},
	press: { keys: ['Enter'], also: ['Space'], action: 'shortcut.desk.press' },
	pressMore: { keys: ['Shift+Enter'], also: ['Shift+Space'], action: 'shortcut.desk.pressMore' },
	next: { keys: ['PageDown', 'PageUp'], action: 'shortcut.desk.next' },
	nextMore: { keys: ['Shift+PageDown', 'Shift+PageUp'], action: 'shortcut.desk.nextMore' }
} satisfies Shortcuts;

const letters: Readonly<Record<string, Tool>> = {
	v: 'select',
	m: 'measure',
	s: 'starts',
	f: 'finish',
	t: 'tapes',
	w: 'walls',
	c: 'crates',
	l: 'lampPosts',
	p: 'patches',
	u: 'surfaces',
	e: 'table',
	r: 'rails',
	g: 'gates',
	d: 'pads'
};
/** What is laid next, while the floor has the keyboard; in the order of the tray. */
export const toolKeys: Shortcuts = Object.fromEntries(
	Object.entries(letters).map(([letter, tool]) => {
		const kind = tool === 'select' || tool === 'measure' ? 'tool' : 'part';
		return [tool, { keys: [letter], action: `course.${kind}.${tool}` }];
	})
);

/** Wherever nobody types. */
export const courseKeys = {
	selectAll: { keys: ['$mod+a'], action: 'course.selectAll' },
	duplicate: { keys: ['$mod+d'], action: 'course.duplicate' },
	remove: { keys: ['Delete'], also: ['Backspace'], action: 'course.remove' }
} satisfies Shortcuts;

/** Everywhere. */
export const leaveKeys = {
	leave: { keys: ['Escape'], action: 'shortcut.desk.leave' }
} satisfies Shortcuts;

/** The browser tells of these as of copying and pasting. */
const copyKeys: Shortcuts = {
	copy: { keys: ['$mod+c'], action: 'course.copy' },
	cut: { keys: ['$mod+x'], action: 'shortcut.desk.cut' },
	paste: { keys: ['$mod+v'], action: 'course.paste' }
};

/** It is held while something is pulled. */
const heldKeys: Shortcuts = { free: { keys: ['Alt'], action: 'shortcut.desk.free' } };

export const courseSheet: KeySheet = [
	{ group: 'floor', shortcuts: { ...floorKeys, ...leaveKeys, ...heldKeys, ...zoomKeys } },
	{ group: 'tools', shortcuts: toolKeys },
	{ group: 'course', shortcuts: { ...courseKeys, ...copyKeys, ...deskKeys } }
];
