/** Copying and pasting by the keys of the device. Its buttons are in ./Actions. */
import type { Place } from '$core/plan/places';
import { preferences } from '$lib/preferences.svelte';
import { shelfPlace } from '$lib/words/typed';
import type { Workbench } from '$lib/workbench/workbench.svelte';
import { placeAfter } from './rows';
import { isTag, type TrailFocus } from './trail-focus.svelte';

/** What the trail hears of the clipboard, while one of its tags has the keyboard. */
export function clipboardOf(bench: () => Workbench, focus: TrailFocus) {
	async function paste(text: string, place: Place): Promise<void> {
		const last = await pasted(text, bench(), place);
		if (last) await focus.focus(last);
	}
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
			void paste(text, placeAfter(focus.row));
		}
	};
}

/**
 * Steps that were copied, or short-hand such as "go 60; right 90".
 * @returns the id of the last step; null when there was nothing, or it was refused, which is said
 */
async function pasted(text: string, bench: Workbench, place: Place): Promise<string | null> {
	const { editing } = bench;
	if (!text.trim()) return null;
	if (text.trim().startsWith('{')) return editing.paste(place, text);
	const { readTyped, whyNot } = await import('$lib/words/short-hand');
	const typed = readTyped(text, shelfPlace(bench.plan, preferences.level, place.holder));
	if (typed.kind !== 'notUnderstood') return editing.addSteps(place, typed.steps);
	bench.voice.refuse(whyNot(text, typed));
	return null;
}
