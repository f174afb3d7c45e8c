/** What keys do on every floor that has the keyboard. */
import type { Shortcuts } from '$lib/ui/keys';

export const zoomKeys = {
	zoom: { keys: ['+', '-'], also: ['Shift++', 'Shift+-', '='], action: 'shortcut.floor.zoom' },
	fit: { keys: ['0'], action: 'shortcut.floor.fit' }
} satisfies Shortcuts;

/** Where arrows do nothing else. */
export const panKeys = {
	pan: {
		keys: ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'],
		action: 'shortcut.floor.pan'
	}
} satisfies Shortcuts;
