/** Copying and pasting by the keys of the device. Its buttons are in ./Actions. */
import type { Place } from '$core/plan/places';
import { readTyped, whyNot } from '$lib/words/short-hand';
import type { ShelfPlace } from '$lib/words/typed';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import type { Editing } from '$lib/workbench/editing.svelte';

export function copyStep(
	event: ClipboardEvent,
	editing: Editing,
	id: string,
	isCut: boolean
): void {
	const text = isCut ? editing.cut(id) : editing.copy(id);
	if (!text) return;
	event.clipboardData?.setData('text/plain', text);
	event.preventDefault();
}

/**
 * Steps that were copied, or short-hand such as "go 60; right 90".
 * @returns the id of the last step; null when there was nothing, or it was refused, which is said
 */
export function pasteAt(
	event: ClipboardEvent,
	bench: Workbench,
	place: Place,
	shelf: ShelfPlace
): string | null {
	const { editing } = bench;
	const text = event.clipboardData?.getData('text/plain') || (editing.copied ?? '');
	event.preventDefault();
	if (!text.trim()) return null;
	const typed = text.trim().startsWith('{') ? null : readTyped(text, shelf);
	if (typed?.kind === 'notUnderstood') {
		bench.voice.refuse(whyNot(text, typed));
		return null;
	}
	return typed ? editing.addSteps(place, typed.steps) : editing.paste(place, text);
}
