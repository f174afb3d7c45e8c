/** The package brings its types under a name that nobody looks for. */
declare module 'unicode-confusables' {
	/** Each letter replaced by the one that it looks like. */
	export function rectifyConfusion(text: string): string;
}
