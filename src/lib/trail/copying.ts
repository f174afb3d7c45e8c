/** Copying and pasting by the keys of the device. Its buttons are in ./Actions. */
import type { Place } from '$core/plan/places';
import { preferences } from '$lib/preferences.svelte';
import { readTyped, whyNot } from '$lib/words/short-hand';
import { shelfPlace } from '$lib/words/typed';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import { placeAfter } from './rows';
import { isTag, type TrailFocus } from './trail-focus.svelte';

/** What the trail hears of the clipboard, while one of its tags has the keyboard. */
export function clipboardOf(bench: () => Workbench, focus: TrailFocus) {
	function copy(event: ClipboardEvent, isCut: boolean): void {
		if (!isTag(event.target) || focus.row?.type !== 'step') return;
		const { editing } = bench();
		const { id } = focus.row.step;
		const text = isCut ? editing.cut(id) : editing.copy(id);
		if (!text) return;
		event.clipboardData?.setData('text/plain', text);
		event.preventDefault();
	}
	return {
		oncopy: (event: ClipboardEvent) => copy(event, false),
		oncut: (event: ClipboardEvent) => copy(event, true),
		onpaste(event: ClipboardEvent) {
			if (!isTag(event.target) || !focus.row) return;
			const { editing } = bench();
			const text = event.clipboardData?.getData('text/plain') || (editing.copied ?? '');
			event.preventDefault();
			const last = pasted(text, bench(), placeAfter(focus.row));
			if (last) void focus.focus(last);
		}
	};
}

/**
 * Steps that were copied, or short-hand such as "go 60; right 90".
 * @returns the id of the last step; null when there was nothing, or it was refused, which is said
 */
function pasted(text: string, bench: Workbench, place: Place): string | null {
	const { editing, plan } = bench;
	if (!text.trim()) return null;
	if (text.trim().startsWith('{')) return editing.paste(place, text);
	const typed = readTyped(text, shelfPlace(plan, preferences.level, place.holder));
	if (typed.kind !== 'notUnderstood') return editing.addSteps(place, typed.steps);
	bench.voice.refuse(whyNot(text, typed));
	return null;
}
