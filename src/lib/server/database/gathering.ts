/**
 * Writes that come while one is at work wait, and are done together by the next: the disk is waited for
 * once for all of them, where a whole school saves in the same second.
 */

/** So many at once at the most: nobody waits long for the others. */
const most = 8;

interface Waiting<Item, Done> {
	readonly item: Item;
	readonly done: (done: Done) => void;
	readonly fail: (error: unknown) => void;
}

/**
 * @param keyOf of those with the same key one is done after the other
 * @param work all or nothing; what each came to, in their order
 */
export function gathering<Item, Done>(
	keyOf: (item: Item) => string,
	work: (items: readonly Item[]) => Promise<readonly Done[]>
): (item: Item) => Promise<Done> {
	let waiting: Waiting<Item, Done>[] = [];
	let isAtWork = false;

	/** The first of each key. */
	function next(): Waiting<Item, Done>[] {
		const taken = new Map<string, Waiting<Item, Done>>();
		waiting = waiting.filter((one) => {
			const key = keyOf(one.item);
			if (taken.size >= most || taken.has(key)) return true;
			taken.set(key, one);
			return false;
		});
		return [...taken.values()];
	}

	async function doAll(all: readonly Waiting<Item, Done>[]): Promise<void> {
		try {
			const done = await work(all.map(({ item }) => item));
			all.forEach((one, index) => one.done(done[index]!));
		} catch (error) {
			if (all.length === 1) all[0]!.fail(error);
			// One may have spoilt it for the others.
			else for (const one of all) await doAll([one]);
		}
	}

	async function goOn(): Promise<void> {
		isAtWork = true;
		while (waiting.length > 0) await doAll(next());
		isAtWork = false;
	}

	return (item) =>
		new Promise((done, fail) => {
			waiting.push({ item, done, fail });
			if (!isAtWork) void goOn();
		});
}
