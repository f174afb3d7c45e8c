/** What happens in the world that can start a chain; each number only grows. */
export interface Signals {
	/** Virtual seconds since Run. */
	readonly time: number;
	readonly bumps: number;
	readonly touches: number;
	readonly isEdgeAhead: boolean;
	/** In the order in which they were reached. */
	readonly lampPosts: readonly { readonly id: string }[];
	/** Sent in the tick before. */
	readonly messages: ReadonlySet<string>;
}
