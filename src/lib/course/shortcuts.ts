/** Every shortcut of the course desk. Letters count while the floor has the keyboard only. */
import type { Shortcuts } from '$lib/desk/shortcuts';
import type { Tool } from './course-bench.svelte';

/** Tools by the letter that chooses them, in the order of the tray. */
export const toolKeys: Readonly<Record<string, Tool>> = {
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

export const shortcuts: Shortcuts = [
	{
		group: 'floor',
		list: [
			{ keys: '↑ ↓ ← →', action: 'shortcut.desk.move' },
			{ keys: 'Shift ↑ ↓ ← →', action: 'shortcut.desk.moveFinely' },
			{ keys: 'Enter', action: 'shortcut.desk.press' },
			{ keys: 'Shift Enter', action: 'shortcut.desk.pressMore' },
			{ keys: 'Page ↓ ↑', action: 'shortcut.desk.next' },
			{ keys: 'Shift Page ↓ ↑', action: 'shortcut.desk.nextMore' },
			{ keys: 'Esc', action: 'shortcut.desk.leave' },
			{ keys: 'Alt', action: 'shortcut.desk.free' },
			{ keys: '+ −', action: 'shortcut.desk.zoom' },
			{ keys: '0', action: 'shortcut.desk.fit' }
		]
	},
	{
		group: 'tools',
		list: Object.entries(toolKeys).map(([letter, tool]) => ({
			keys: letter.toUpperCase(),
			action:
				tool === 'select' || tool === 'measure' ? `course.tool.${tool}` : `course.part.${tool}`
		}))
	},
	{
		group: 'course',
		list: [
			{ keys: 'Ctrl A', action: 'course.selectAll' },
			{ keys: 'Ctrl D', action: 'course.duplicate' },
			{ keys: 'Ctrl C', action: 'course.copy' },
			{ keys: 'Ctrl X', action: 'shortcut.desk.cut' },
			{ keys: 'Ctrl V', action: 'course.paste' },
			{ keys: 'Del', action: 'course.remove' },
			{ keys: 'Ctrl Z', action: 'bench.undo' },
			{ keys: 'Ctrl Shift Z', action: 'bench.redo' },
			{ keys: '?', action: 'shortcut.shortcuts' }
		]
	}
];
