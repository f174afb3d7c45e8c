/** What keys do at every desk. */
import type { Shortcuts } from '$lib/ui/keys';

export const deskKeys = {
	undo: { keys: ['$mod+z'], action: 'shortcut.undo' },
	redo: { keys: ['$mod+Shift+z'], also: ['$mod+y'], action: 'shortcut.redo' },
	keys: { keys: ['?'], also: ['Shift+?'], action: 'shortcut.shortcuts' }
} satisfies Shortcuts;
