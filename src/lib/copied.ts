/** What was copied last on this device, kept there: buttons can paste it, here and in another tab. */
export class Copied {
	constructor(private readonly key: string) {}

	keep(text: string): void {
		try {
			localStorage.setItem(this.key, text);
		} catch {
			// Without storage, the text on the device's own clipboard still does.
		}
	}

	get text(): string | null {
		try {
			return localStorage.getItem(this.key);
		} catch {
			return null;
		}
	}
}

/** Puts a text on the device's clipboard, where the browser lets a button do that. */
export function toClipboard(text: string | null): void {
	// Without a certificate the browser has no clipboard for buttons. The keys still reach it, and
	// what was copied is kept on the device for pasting here.
	if (text !== null && navigator.clipboard)
		void navigator.clipboard.writeText(text).catch(() => {});
}
