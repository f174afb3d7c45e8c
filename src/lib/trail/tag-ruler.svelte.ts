/** Measures tags before they are drawn, by the letters and the width of the pane that they will have. */
import type { Plan, Step } from '$core/plan/plan';
import { inputsOf, routinesOf } from '$core/plan/variables';
import { definitionOf } from '$core/steps/catalogue';
import { t } from '$lib/i18n';
import { showValue } from '$lib/words/values';
import type { TagHeight } from './row-list';
import { leftOf } from './rows';
import { faceOf, heightBeyondOneLine, type Typeface, type WordPiece } from './tag-lines';
import { sentenceParts, shownValues, slotOfKind, wording } from '$lib/words/step-words';

/** Pixels beside the words of a tag: lamp, borders, paddings and menu; and what only some tags have. */
const beside = { tag: 102, glyph: 28, fold: 40, head: 124, off: 14 };
/** Pixels that the name of a chain's robot takes, where there are several: on a phone, and else. */
const robotBeside = { narrow: 94, wide: 122 };
/** Words get at least so much, pixels: a trail too deep for its pane scrolls sideways. */
const leastRoom = 190;

/**
 * @param pane its width, pixels
 * @returns pixels from the left edge of the pane to the right one of what hangs at this depth
 */
export const rowWidth = (depth: number, pane: number): number =>
	Math.max(pane, leftOf(depth) + beside.tag + leastRoom);

export class TagRuler {
	private face = $state.raw<Typeface | null>(null);
	/** The last one, and what it was made of. */
	private made: { readonly of: readonly unknown[]; readonly heights: TagHeight } | null = null;

	/** Takes the letters that are drawn in this pane, once they are there. */
	async mount(pane: HTMLElement): Promise<void> {
		this.face = await faceOf(pane);
	}

	/**
	 * The same function as long as nothing but steps has changed.
	 * @param pane its width, pixels
	 */
	heights(plan: Plan, pane: number): TagHeight {
		const { face } = this;
		if (!face) return () => 0;
		const isNarrow = matchMedia('(max-width: 560px)').matches;
		const glyph = isNarrow ? 0 : beside.glyph;
		const isCrew = plan.robots.length > 1;
		const robot = !isCrew ? 0 : isNarrow ? robotBeside.narrow : robotBeside.wide;
		const routines = Array.from(routinesOf(plan), ([name, chain]) => [name, ...inputsOf(chain)]);
		const of = [face, wording(), pane, isNarrow, isCrew, routines.join('\n')];
		if (this.made?.of.every((one, index) => one === of[index])) return this.made.heights;

		/** By step, since a step stays the same; for the room that it had. */
		const measured = new WeakMap<Step, { readonly room: number; readonly height: number }>();
		const heights: TagHeight = (step, depth, folded) => {
			const { isTrigger } = definitionOf(step.kind);
			let room = rowWidth(depth, pane) - leftOf(depth);
			room -= isTrigger ? beside.head + robot : beside.tag + glyph;
			if (step.body) room -= beside.fold;
			if (folded) room -= face.widthOf(t('trail.inside', { count: folded }), false);
			if (step.off) room -= face.widthOf(t('trail.off'), false) + beside.off;
			const known = measured.get(step);
			if (known?.room === room) return known.height;
			const height = heightBeyondOneLine(piecesOf(step, plan), room, face);
			measured.set(step, { room, height });
			return height;
		};
		this.made = { of, heights };
		return heights;
	}
}

/** Values that are shown by a small picture, too. */
const swatched = ['colour', 'picture', 'film', 'face'];

function piecesOf(step: Step, plan: Plan): WordPiece[] {
	const values = shownValues(step, { plan });
	const { isTrigger, isBranch } = definitionOf(step.kind);
	const isBold = isTrigger === true || isBranch === true;
	return sentenceParts(step.kind, values).map((part) => {
		if ('text' in part) return { text: part.text, isChip: false, isBold };
		const definition = slotOfKind(step.kind, part.slot);
		const text = showValue(step.kind, part.slot, definition, values[part.slot]!);
		return {
			text,
			isChip: true,
			hasSwatch: swatched.includes(definition.type)
		};
	});
}
