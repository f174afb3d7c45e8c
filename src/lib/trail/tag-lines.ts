/**
 * How the words of a tag fall into lines, worked out before they are drawn: where the rows of a long
 * trail lie follows from their heights.
 */

/** Words, or the value in a chip. */
export interface WordPiece {
	readonly text: string;
	readonly isChip: boolean;
	/** In heavy letters; a chip has them always. */
	readonly isBold?: boolean;
	/** A dot of its colour before its name. */
	readonly hasSwatch?: boolean;
}

/** What the words are drawn with, pixels. */
export interface Typeface {
	readonly widthOf: (text: string, isBold: boolean) => number;
	/** Of a chip of one line. */
	readonly chipHeight: number;
}

/** Loads the letters that are drawn in this pane, and measures with them. */
export async function faceOf(pane: HTMLElement): Promise<Typeface> {
	const { fontFamily, fontSize } = getComputedStyle(pane);
	const measure = async (weight: number) => {
		const font = `${weight} ${fontSize} ${fontFamily}`;
		// Should they not come, others are drawn, and measured here.
		await Promise.allSettled([document.fonts.load(font)]);
		const context = document.createElement('canvas').getContext('2d')!;
		context.font = font;
		const known = new Map<string, number>();
		return (text: string): number => {
			const width = known.get(text) ?? context.measureText(text).width;
			known.set(text, width);
			return width;
		};
	};
	const [bold, usual] = [await measure(600), await measure(400)];
	const isCoarse = matchMedia('(pointer: coarse)').matches;
	return {
		// Chips have digits of one width; none of the usual ones is wider than 0.
		widthOf: (text, isBold) => (isBold ? bold(text.replace(/\d/g, '0')) : usual(text)),
		chipHeight: isCoarse ? 40 : 32
	};
}

/** Pixels, as drawn by Chip.svelte. */
const chip = { padding: 15, swatch: 21, line: 20, paddingBlock: 6, margin: 4 };
/** Pixels of a line without a chip, as drawn by Sentence.svelte. */
const textHeight = 24;

/** An unbreakable piece of a line. */
interface Word {
	width: number;
	height: number;
}

/**
 * @param room pixels for a line
 * @returns pixels that the lines take beyond one line
 */
export function heightBeyondOneLine(
	pieces: readonly WordPiece[],
	room: number,
	face: Typeface
): number {
	const oneLine = face.chipHeight + chip.margin;
	const space = face.widthOf(' ', true);
	let total = 0;
	let x = 0;
	let height = 0;
	for (const word of wordsOf(pieces, room, face)) {
		const end = x + (x > 0 ? space : 0) + word.width;
		if (x > 0 && end > room) {
			total += height;
			height = 0;
			x = word.width;
		} else x = end;
		height = Math.max(height, word.height);
	}
	return Math.max(0, total + height - oneLine);
}

function wordsOf(pieces: readonly WordPiece[], room: number, face: Typeface): readonly Word[] {
	const words: Word[] = [];
	let isApart = true;
	const add = (width: number, height: number) => {
		const before = words.at(-1);
		if (before && !isApart) {
			before.width += width;
			before.height = Math.max(before.height, height);
		} else words.push({ width, height });
		isApart = false;
	};
	for (const { text, isChip, isBold = false, hasSwatch } of pieces) {
		if (isChip) {
			const inside = room - chip.padding - (hasSwatch ? chip.swatch : 0);
			const lines = linesOf(text, inside, face);
			const width = Math.min(room, face.widthOf(text, true) + room - inside);
			const high = Math.max(face.chipHeight, lines * chip.line + chip.paddingBlock);
			add(width, high + chip.margin);
			continue;
		}
		for (const part of text.split(/(\s+)/)) {
			if (part.trim() === '') isApart ||= part !== '';
			else add(face.widthOf(part, isBold), textHeight);
		}
	}
	return words;
}

/** How many lines the text of a chip takes. */
function linesOf(text: string, room: number, { widthOf }: Typeface): number {
	if (widthOf(text, true) <= room) return 1;
	let lines = 1;
	let line = '';
	for (const word of text.split(' ')) {
		const longer = line ? `${line} ${word}` : word;
		if (line && widthOf(longer, true) > room) {
			lines += 1;
			line = word;
		} else line = longer;
	}
	return lines;
}
