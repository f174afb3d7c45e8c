/** The key by which a step on the shelf is dragged: it holds what the step will be. */
import type { Values } from '$core/steps/definition';

const mark = 'new:';

export const newStepKey = (kind: string, values: Values): string =>
	mark + JSON.stringify([kind, values]);

/** @returns null for the key of a step of the plan */
export function newStepOf(key: string): { kind: string; values: Values } | null {
	if (!key.startsWith(mark)) return null;
	const [kind, values] = JSON.parse(key.slice(mark.length)) as [string, Values];
	return { kind, values };
}
