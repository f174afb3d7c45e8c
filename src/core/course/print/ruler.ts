/** How lengths stand on paper: as the tapes and rulers are ruled that a person measures with. */

export interface Ruler {
	/** Of what is short. */
	readonly unit: string;
	/** In that unit, without naming it. @param metres to write */
	bare(metres: number): string;
	/** What is short, such as the length of a line. @param metres to write */
	short(metres: number): string;
	/** What is long, such as a roll of tape. @param metres to write */
	long(metres: number): string;
	/** Metres of the line by which a print can be checked. */
	readonly check: number;
}

interface Unit {
	readonly name: string;
	readonly metres: number;
	readonly digits: number;
}

function ruler(short: Unit, long: Unit, check: number): Ruler {
	const bare = (metres: number, { metres: one, digits } = short) => (metres / one).toFixed(digits);
	return {
		...{ unit: short.name, bare, check },
		short: (metres) => `${bare(metres)} ${short.name}`,
		long: (metres) => `${bare(metres, long)} ${long.name}`
	};
}

export const rulers = {
	cm: ruler({ name: 'mm', metres: 0.001, digits: 1 }, { name: 'm', metres: 1, digits: 2 }, 0.1),
	inch: ruler(
		{ name: 'in', metres: 0.0254, digits: 2 },
		{ name: 'ft', metres: 0.3048, digits: 2 },
		4 * 0.0254
	)
} satisfies Record<string, Ruler>;
