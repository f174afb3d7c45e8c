/** The robots of the person at this device, kept on it: with their token they need no signs again. */
import { z } from 'zod';
import { store, stored } from '$lib/storage';
import { robotsKey as key } from './held';

const schema = z.array(
	z.object({
		id: z.string(),
		name: z.string(),
		kind: z.string(),
		token: z.string(),
		/** Whose it is: another person at this device has to see its signs first. */
		person: z.string(),
		/** It was not let go: it is tried again by itself. */
		isHeld: z.boolean()
	})
);
export type Mine = z.infer<typeof schema>[number];

export function loadMine(): Mine[] {
	try {
		return schema.parse(JSON.parse(stored(key) ?? '[]'));
	} catch {
		// What is in it is not ours: no robots yet.
		return [];
	}
}

/** A device without storage keeps them until the page is left. */
export const keepMine = (mine: readonly Mine[]): void => void store(key, JSON.stringify(mine));
