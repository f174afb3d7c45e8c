/** Lines of a chart: told apart by their colour and by their dashes. */
export const inks = [
	'var(--trace)',
	'var(--trace-second)',
	'var(--trace-third)',
	'var(--trace-fourth)',
	'var(--lamp-text)',
	'var(--ink)',
	'var(--verdigris)',
	'var(--ink-soft)'
] as const;

/** A colour of the page as a canvas knows it. @param value such as var(--ink) */
export function inkOn(canvas: HTMLCanvasElement, value: string): string {
	canvas.style.color = value;
	return getComputedStyle(canvas).color;
}

/** Pixels drawn and left out. */
export const dashes: readonly (readonly number[])[] = [
	[],
	[9, 4],
	[3, 3],
	[9, 3, 2, 3],
	[14, 4],
	[5, 2],
	[1, 3],
	[12, 3, 3, 3, 3, 3]
];
