/** What keys do wherever something runs: at a desk, and beside robots. */
import type { Shortcuts } from './keys';

export const runKeys = {
	rehearse: { keys: ['$mod+Enter'], action: 'shortcut.rehearse' },
	run: { keys: ['$mod+Shift+Enter'], action: 'bench.run' },
	halt: { keys: ['$mod+.'], action: 'shortcut.halt' }
} satisfies Shortcuts;
