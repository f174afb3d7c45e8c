/** What becomes of half-typed words when the sheet around them closes: kept, unless by Escape. */
import { getContext, onDestroy, setContext } from 'svelte';

const key = Symbol('leaving');

/** For the sheet. @param isEscaped whether it is closed by Escape */
export const tellEscape = (isEscaped: () => boolean): void => void setContext(key, isEscaped);

/**
 * For an editor, at its start.
 * @param take called as it goes away, unless by Escape
 * @param forget called after that in any case: its field will still lose the focus
 */
export function onLeave(take: () => void, forget?: () => void): void {
	const isEscaped = getContext<() => boolean>(key);
	onDestroy(() => {
		if (!isEscaped()) take();
		forget?.();
	});
}
