/** Every shortcut, for the sheet that lists them. None is one that browsers use for themselves. */
export interface Shortcut {
	/** As on the keys. */
	readonly keys: string;
	/** Message that says what it does. */
	readonly action: string;
}

export const shortcuts: readonly { readonly group: string; readonly list: readonly Shortcut[] }[] =
	[
		{
			group: 'plan',
			list: [
				{ keys: 'Ctrl Enter', action: 'rehearse' },
				{ keys: 'Ctrl .', action: 'halt' },
				{ keys: 'Ctrl Z', action: 'undo' },
				{ keys: 'Ctrl Shift Z', action: 'redo' },
				{ keys: '?', action: 'shortcuts' }
			]
		},
		{
			group: 'walk',
			list: [
				{ keys: '↑ ↓', action: 'walk' },
				{ keys: '← →', action: 'inOut' },
				{ keys: 'Home End', action: 'ends' },
				{ keys: '/', action: 'search' },
				{ keys: 'P', action: 'nextProblem' },
				{ keys: 'F', action: 'fold' },
				{ keys: '+ −', action: 'zoom' },
				{ keys: '0', action: 'fit' },
				{ keys: 'H', action: 'help' }
			]
		},
		{
			group: 'step',
			list: [
				{ keys: 'Enter', action: 'add' },
				{ keys: 'E', action: 'value' },
				{ keys: 'Space', action: 'pickUp' },
				{ keys: 'Alt ↑ ↓', action: 'move' },
				{ keys: 'Shift ↑ ↓', action: 'select' },
				{ keys: 'D', action: 'duplicate' },
				{ keys: 'W', action: 'wrap' },
				{ keys: 'I', action: 'choose' },
				{ keys: 'U', action: 'unwrap' },
				{ keys: 'O', action: 'off' },
				{ keys: 'C', action: 'comment' },
				{ keys: 'S', action: 'aside' },
				{ keys: 'M', action: 'menu' },
				{ keys: 'Del', action: 'remove' },
				{ keys: 'Ctrl C', action: 'copy' },
				{ keys: 'Ctrl X', action: 'cut' },
				{ keys: 'Ctrl V', action: 'paste' }
			]
		},
		{
			group: 'chain',
			list: [
				{ keys: 'N', action: 'newChain' },
				{ keys: 'T', action: 'trigger' },
				{ keys: 'R', action: 'runAlone' }
			]
		}
	];
