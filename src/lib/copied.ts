import { store, stored } from './storage';

/** What was copied last on this device, kept there: buttons can paste it, here and in another tab. */
export class Copied {
	constructor(private readonly key: string) {}

	/** Without storage, the text on the device's own clipboard still does. */
	keep(text: string): void {
		store(this.key, text);
	}

	get text(): string | null {
		return stored(this.key);
	}
}

/** Puts a text on the device's clipboard, where the browser lets a button do that. */
export function toClipboard(text: string | null): void {
	// Without a certificate the browser has no clipboard for buttons. The keys still reach it, and
	// what was copied is kept on the device for pasting here.
	if (text !== null && navigator.clipboard)
		void navigator.clipboard.writeText(text).catch(() => {});
}
