import type { Cell } from '../expressions/evaluate';

/** The names of a program's variables; each has a number, so that none is looked up by name in a run. */
export class Variables {
	private readonly numbers = new Map<string, number>();

	/** The number of this name: always the same one. */
	numberOf(name: string): number {
		const known = this.numbers.get(name);
		if (known !== undefined) return known;
		this.numbers.set(name, this.numbers.size);
		return this.numbers.size - 1;
	}

	get names(): readonly string[] {
		return [...this.numbers.keys()];
	}

	get count(): number {
		return this.numbers.size;
	}
}

/** Nothing set: what a run begins with. */
export function emptyCells(count: number): readonly Cell[] {
	const cells: Cell[] = [];
	for (let i = 0; i < count; i++) cells.push({ value: undefined });
	return cells;
}
