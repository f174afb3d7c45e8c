/** The keys of the trail: what they are called, and which they are. What they do is in ./keys. */
import type { Shortcuts } from '$lib/ui/keys';

/** From row to row, and over the whole trail. */
export const walkKeys = {
	walk: { keys: ['ArrowUp', 'ArrowDown'], action: 'shortcut.walk' },
	inOut: { keys: ['ArrowLeft', 'ArrowRight'], action: 'shortcut.inOut' },
	ends: { keys: ['Home', 'End'], action: 'shortcut.ends' },
	search: { keys: ['/'], also: ['Shift+/'], action: 'shortcut.search' },
	nextProblem: { keys: ['p'], action: 'shortcut.nextProblem' },
	zoom: { keys: ['+', '-'], also: ['Shift++', 'Shift+-', '='], action: 'shortcut.zoom' },
	fit: { keys: ['0'], action: 'shortcut.fit' },
	help: { keys: ['h'], action: 'shortcut.help' },
	clear: { keys: ['Escape'], action: 'shortcut.clear' }
} satisfies Shortcuts;

/** On the tag of a step. */
export const tagKeys = {
	add: { keys: ['Enter'], action: 'shortcut.add' },
	value: { keys: ['e'], action: 'shortcut.value' },
	pickUp: { keys: ['Space'], action: 'shortcut.pickUp' },
	duplicate: { keys: ['d'], action: 'shortcut.duplicate' },
	fold: { keys: ['f'], action: 'shortcut.fold' },
	wrap: { keys: ['w'], action: 'shortcut.wrap' },
	choose: { keys: ['i'], action: 'shortcut.choose' },
	unwrap: { keys: ['u'], action: 'shortcut.unwrap' },
	off: { keys: ['o'], action: 'shortcut.off' },
	comment: { keys: ['c'], action: 'shortcut.comment' },
	aside: { keys: ['s'], action: 'shortcut.aside' },
	menu: { keys: ['m'], also: ['ContextMenu'], action: 'shortcut.menu' },
	remove: { keys: ['Delete'], also: ['Backspace'], action: 'shortcut.remove' },
	move: { keys: ['Alt+ArrowUp', 'Alt+ArrowDown'], action: 'shortcut.move' },
	select: { keys: ['Shift+ArrowUp', 'Shift+ArrowDown'], action: 'shortcut.select' }
} satisfies Shortcuts;

/** Of the browser itself: it tells of them as of copying and pasting. */
export const copyKeys = {
	copy: { keys: ['$mod+c'], action: 'shortcut.copy' },
	cut: { keys: ['$mod+x'], action: 'shortcut.cut' },
	paste: { keys: ['$mod+v'], action: 'shortcut.paste' }
} satisfies Shortcuts;

/** While a step is picked up. */
export const carryKeys = {
	carry: { keys: ['ArrowUp', 'ArrowDown'], action: 'shortcut.carry' },
	putDown: { keys: ['Space'], also: ['Enter'], action: 'shortcut.putDown' },
	putBack: { keys: ['Escape'], action: 'shortcut.putBack' }
} satisfies Shortcuts;

export const chainKeys = {
	newChain: { keys: ['n'], action: 'shortcut.newChain' },
	trigger: { keys: ['t'], action: 'shortcut.trigger' },
	runAlone: { keys: ['r'], action: 'shortcut.runAlone' }
} satisfies Shortcuts;
