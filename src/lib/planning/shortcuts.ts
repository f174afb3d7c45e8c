/** Every shortcut of the plan's desk. None is one that browsers use for themselves. */
import type { Shortcuts } from '$lib/desk/shortcuts';

export const shortcuts: Shortcuts = [
	{
		group: 'plan',
		list: [
			{ keys: 'Ctrl Enter', action: 'shortcut.rehearse' },
			{ keys: 'Ctrl .', action: 'shortcut.halt' },
			{ keys: 'Ctrl Z', action: 'shortcut.undo' },
			{ keys: 'Ctrl Shift Z', action: 'shortcut.redo' },
			{ keys: '?', action: 'shortcut.shortcuts' }
		]
	},
	{
		group: 'walk',
		list: [
			{ keys: '↑ ↓', action: 'shortcut.walk' },
			{ keys: '← →', action: 'shortcut.inOut' },
			{ keys: 'Home End', action: 'shortcut.ends' },
			{ keys: '/', action: 'shortcut.search' },
			{ keys: 'P', action: 'shortcut.nextProblem' },
			{ keys: 'F', action: 'shortcut.fold' },
			{ keys: '+ −', action: 'shortcut.zoom' },
			{ keys: '0', action: 'shortcut.fit' },
			{ keys: 'H', action: 'shortcut.help' }
		]
	},
	{
		group: 'step',
		list: [
			{ keys: 'Enter', action: 'shortcut.add' },
			{ keys: 'E', action: 'shortcut.value' },
			{ keys: 'Space', action: 'shortcut.pickUp' },
			{ keys: 'Alt ↑ ↓', action: 'shortcut.move' },
			{ keys: 'Shift ↑ ↓', action: 'shortcut.select' },
			{ keys: 'D', action: 'shortcut.duplicate' },
			{ keys: 'W', action: 'shortcut.wrap' },
			{ keys: 'I', action: 'shortcut.choose' },
			{ keys: 'U', action: 'shortcut.unwrap' },
			{ keys: 'O', action: 'shortcut.off' },
			{ keys: 'C', action: 'shortcut.comment' },
			{ keys: 'S', action: 'shortcut.aside' },
			{ keys: 'M', action: 'shortcut.menu' },
			{ keys: 'Del', action: 'shortcut.remove' },
			{ keys: 'Ctrl C', action: 'shortcut.copy' },
			{ keys: 'Ctrl X', action: 'shortcut.cut' },
			{ keys: 'Ctrl V', action: 'shortcut.paste' }
		]
	},
	{
		group: 'chain',
		list: [
			{ keys: 'N', action: 'shortcut.newChain' },
			{ keys: 'T', action: 'shortcut.trigger' },
			{ keys: 'R', action: 'shortcut.runAlone' }
		]
	}
];
