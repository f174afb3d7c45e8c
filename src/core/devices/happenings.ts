/** What happens to a robot, as it comes: bumps, hands that touch it, lamp posts that are reached. */
export interface Happening {
	/** Virtual seconds since Run. */
	readonly time: number;
	readonly kind: string;
	/** Which one it was, such as the id of a lamp post. */
	readonly what?: string;
}

/** All that has happened to one robot, in order. */
export class Happenings {
	private readonly byKind = new Map<string, Happening[]>();

	add(happening: Happening): void {
		const known = this.byKind.get(happening.kind);
		if (known) known.push(happening);
		else this.byKind.set(happening.kind, [happening]);
	}

	/** Of which kinds something has happened. */
	get kinds(): Iterable<string> {
		return this.byKind.keys();
	}

	count(kind: string): number {
		return this.byKind.get(kind)?.length ?? 0;
	}

	/** Those of a kind after the first so many. */
	since(kind: string, count: number): readonly Happening[] {
		return this.byKind.get(kind)?.slice(count) ?? [];
	}
}
