/** Puts a text on the device's clipboard, where the browser lets a button do that. */
export function toClipboard(text: string | null): void {
	// Without a certificate the browser has no clipboard for buttons. The keys still reach it, and
	// what was copied is kept on the device for pasting here.
	if (text !== null && navigator.clipboard)
		void navigator.clipboard.writeText(text).catch(() => {});
}
