/**
 * The browser's small store of texts. It may be missing, blocked or full: nothing here throws, and
 * whoever stores something is told whether it is there now.
 */

/** Reading the property alone throws where a browser blocks the store. */
function small(): Storage | null {
	try {
		return globalThis.localStorage ?? null;
	} catch {
		return null;
	}
}

export function stored(key: string): string | null {
	try {
		return small()?.getItem(key) ?? null;
	} catch {
		return null;
	}
}

/** @returns whether it is there now */
export function store(key: string, text: string): boolean {
	try {
		const place = small();
		place?.setItem(key, text);
		return place !== null;
	} catch {
		return false;
	}
}

export function unstore(key: string): void {
	try {
		small()?.removeItem(key);
	} catch {
		// A store that is blocked has nothing to remove.
	}
}

/** Of all that is stored, the keys that begin so. */
export function storedKeys(beginning: string): string[] {
	try {
		return Object.keys(small() ?? {}).filter((key) => key.startsWith(beginning));
	} catch {
		return [];
	}
}
