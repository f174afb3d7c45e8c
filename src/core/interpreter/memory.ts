import type { Datum } from '../expressions/types';

/** One variable. Steps and expressions keep hold of it, so that none has to be looked up by name. */
export interface Cell {
	/** undefined until it is set. */
	value: Datum | undefined;
}

/** The variables of a plan while it runs; those of all chains are the same. */
export class Memory {
	private readonly cells = new Map<string, Cell>();

	/** The cell of this name: always the same one. */
	cell(name: string): Cell {
		const known = this.cells.get(name);
		if (known) return known;
		const made: Cell = { value: undefined };
		this.cells.set(name, made);
		return made;
	}
}
