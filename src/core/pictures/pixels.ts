/** Pictures of any size, made into what a lamp grid can show. */
import { gridSize, type Lamps } from './picture';

/** Colours as 0xrrggbb, row by row from the top left; what is transparent is as dark as it is. */
export interface Pixels {
	readonly width: number;
	readonly height: number;
	readonly colours: ArrayLike<number>;
}

/** Of one that is larger than the grid, each lamp has the average of what lies under it; it stands in the middle. */
export function lampsFrom({ width, height, colours }: Pixels): Lamps {
	const { columns, rows } = gridSize;
	const scale = Math.max(1, width / columns, height / rows);
	const left = Math.floor((columns - width / scale) / 2 + 1e-9);
	const top = Math.floor((rows - height / scale) / 2 + 1e-9);
	return Array.from({ length: columns * rows }, (_, i) => {
		const x = (i % columns) - left;
		const y = Math.floor(i / columns) - top;
		const sums = [0, 0, 0];
		let whole = 0;
		for (const [row, high] of under(y, scale, height))
			for (const [column, wide] of under(x, scale, width)) {
				const colour = colours[row * width + column]!;
				const part = high * wide;
				whole += part;
				[16, 8, 0].forEach((bits, each) => (sums[each]! += part * ((colour >> bits) & 0xff)));
			}
		if (whole === 0) return 0;
		return sums.reduce((lamp, sum) => lamp * 256 + Math.round(sum / (scale * scale)), 0);
	});
}

/** The pixels under a lamp, along one side, each with the part of it that lies there. */
function under(lamp: number, scale: number, size: number): (readonly [number, number])[] {
	const from = Math.max(0, lamp * scale);
	const to = Math.min(size, (lamp + 1) * scale);
	const found: (readonly [number, number])[] = [];
	for (let at = Math.floor(from); at < to; at++) {
		const part = Math.min(to, at + 1) - Math.max(from, at);
		if (part > 1e-9) found.push([at, part]);
	}
	return found;
}
