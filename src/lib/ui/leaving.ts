/** What becomes of half-typed words when the sheet around them closes: kept, unless by Escape. */
import { getContext, onDestroy, setContext } from 'svelte';

const key = Symbol('leaving');

/** For the sheet. @param isEscaped whether it is closed by Escape */
export const tellEscape = (isEscaped: () => boolean): void => void setContext(key, isEscaped);

/**
 * For an editor, at its start.
 * @param take called as it goes away, unless by Escape
 * @returns whether it goes away by Escape: its field loses the focus then, too
 */
export function onLeave(take: () => void): () => boolean {
	const isEscaped = getContext<() => boolean>(key);
	onDestroy(() => {
		if (!isEscaped()) take();
	});
	return isEscaped;
}
