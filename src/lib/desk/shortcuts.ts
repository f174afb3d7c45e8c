export interface Shortcut {
	/** As on the keys. */
	readonly keys: string;
	/** Message that says what it does. */
	readonly action: string;
}

/** In groups, as the sheet lists them. */
export type Shortcuts = readonly { readonly group: string; readonly list: readonly Shortcut[] }[];
