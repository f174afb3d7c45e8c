/** What a search for a way looks at next. */

/** A heap of places by how far a way over each is at the least. */
export class Waiting {
	private readonly places: number[] = [];
	private readonly costs: number[] = [];

	get size(): number {
		return this.places.length;
	}

	push(place: number, cost: number): void {
		const { places, costs } = this;
		let at = places.length;
		while (at > 0) {
			const parent = (at - 1) >> 1;
			if (costs[parent]! <= cost) break;
			places[at] = places[parent]!;
			costs[at] = costs[parent]!;
			at = parent;
		}
		places[at] = place;
		costs[at] = cost;
	}

	pop(): number {
		const { places, costs } = this;
		const first = places[0]!;
		const place = places.pop()!;
		const cost = costs.pop()!;
		const count = places.length;
		if (count === 0) return first;
		let at = 0;
		for (;;) {
			let child = 2 * at + 1;
			if (child >= count) break;
			if (child + 1 < count && costs[child + 1]! < costs[child]!) child += 1;
			if (costs[child]! >= cost) break;
			places[at] = places[child]!;
			costs[at] = costs[child]!;
			at = child;
		}
		places[at] = place;
		costs[at] = cost;
		return first;
	}
}
