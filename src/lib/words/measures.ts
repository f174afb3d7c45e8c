/** Round lengths in the units that the person reads. Metres. */
import { preferences } from '$lib/preferences.svelte';

interface Measures {
	/** Between lines of the floor's grid; each so-manieth of them is strong. */
	readonly grid: number;
	readonly strong: number;
	/** What a hand snaps to and a key goes, usually and finely. */
	readonly snap: number;
	readonly fine: number;
	/** That a scale can show. */
	readonly bars: readonly number[];
}

const inch = 0.0254;
const measures: Readonly<Record<typeof preferences.lengths, Measures>> = {
	cm: { grid: 0.1, strong: 5, snap: 0.05, fine: 0.01, bars: [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10] },
	inch: {
		...{ grid: 4 * inch, strong: 3, snap: 2 * inch, fine: inch / 2 },
		bars: [2, 4, 12, 24, 60, 120, 240].map((count) => count * inch)
	}
};

export const measuresNow = (): Measures => measures[preferences.lengths];

export function snapNow(isFine: boolean): number {
	const { snap, fine } = measuresNow();
	return isFine ? fine : snap;
}
