/** What keys do, each once: the keys themselves, menus, titles and the sheet of keys read such a table. */
import { matchKeyBindingPress, parseKeybinding, type KeyBindingPress } from 'tinykeys';

export interface Shortcut {
	/** As tinykeys writes them, such as $mod+Shift+z; $mod is Ctrl, and ⌘ where that is usual. */
	readonly keys: readonly string[];
	/** Keys that do the same and go without saying. */
	readonly also?: readonly string[];
	/** Message that says what they do. */
	readonly action: string;
}

export type Shortcuts<Id extends string = string> = Readonly<Record<Id, Shortcut>>;

/** All that a desk listens to, in the groups of its sheet. */
export type KeySheet = readonly { readonly group: string; readonly shortcuts: Shortcuts }[];

type Act = () => void;
/** What is done: one thing by all of its keys, or for each of its keys one. */
export type Acts<Id extends string> = Readonly<Partial<Record<Id, Act | readonly Act[]>>>;

/** Read once: every key that is pressed is looked for among dozens. */
const known = new Map<string, KeyBindingPress>();

/** What is held, and the key that is pressed then. */
function readKeys(keys: string): KeyBindingPress {
	const read = known.get(keys) ?? parseKeybinding(keys)[0]!;
	known.set(keys, read);
	return read;
}

/** Does what a key means in a table. @returns whether it meant something */
export function press<Id extends string>(
	event: KeyboardEvent,
	shortcuts: Shortcuts<Id>,
	acts: Acts<Id>
): boolean {
	for (const id in shortcuts) {
		const act = acts[id];
		if (!act) continue;
		const { keys, also = [] } = shortcuts[id];
		const which = [...keys, ...also].findIndex((each) =>
			matchKeyBindingPress(event, readKeys(each))
		);
		if (which === -1) continue;
		if (typeof act === 'function') act();
		else act[which % keys.length]!();
		return true;
	}
	return false;
}

/** Keys that are not called as browsers call them. */
const names: Readonly<Record<string, string>> = {
	ArrowUp: '↑',
	ArrowDown: '↓',
	ArrowLeft: '←',
	ArrowRight: '→',
	PageUp: 'Page ↑',
	PageDown: 'Page ↓',
	Delete: 'Del',
	Escape: 'Esc',
	'-': '−',
	Control: 'Ctrl',
	Meta: '⌘'
};
const named = (key: string) => names[key] ?? (key.length === 1 ? key.toUpperCase() : key);

/** The keys of a shortcut as they are shown, such as "Alt ↑ ↓". @param which only that one of them */
export function shownKeys({ keys }: Shortcut, which?: number): string {
	const chosen = (which === undefined ? keys : [keys[which]!]).map(readKeys);
	const [held] = chosen[0]!;
	return [...held, ...chosen.map(([, key]) => String(key))].map(named).join(' ');
}
