/** What a floor is made of, and how it holds what rolls on it. Sizes are plausible guesses, not measured. */

export interface Surface {
	/** m/s² by which something that rolls on it can speed up, brake or take a corner, at the most. */
	readonly grip: number;
	/** m/s² by which something that rolls out on it slows down. */
	readonly drag: number;
	/** How much it shakes what rolls on it: 0 not at all, to 1. */
	readonly roughness: number;
}

export const surfaceKinds = {
	/** Polished wood or plastic: a shell slips on it. */
	table: { grip: 1.2, drag: 0.12, roughness: 0.1 },
	/** Lino or stone, as in most classrooms. */
	tile: { grip: 1.8, drag: 0.2, roughness: 0.3 },
	/** Short pile: it holds, and it brakes. */
	carpet: { grip: 2.5, drag: 0.6, roughness: 1 }
} as const satisfies Record<string, Surface>;

export type SurfaceName = keyof typeof surfaceKinds;
