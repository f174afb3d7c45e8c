import type { Datum } from '../types';

/** What happens in the world that can start a chain; each number only grows. */
export interface Signals {
	/** Virtual seconds since Run. */
	time: number;
	bumps: number;
	touches: number;
	isEdgeAhead: boolean;
	/** In the order in which they were reached. */
	readonly lampPosts: readonly { readonly id: string }[];
	/** Sent in the tick before, each with its value; the interpreter fills them in. */
	messages: ReadonlyMap<string, Datum>;
}
