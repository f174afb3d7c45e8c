/** Sounds for robots: the files of all that a plan plays. */
import { clipsIn, type Plan } from '$core/plan/plan';
import { wavOf } from '$core/sounds/wav';
import { wavOfSound } from './sound-store';
import { samplesOfSound } from './sound-work';

async function ownWav(id: string): Promise<Uint8Array | null> {
	const samples = await samplesOfSound(id);
	return samples && wavOf(samples);
}

/** By the hashes of the files; what nobody has is left out. */
export async function wavsOf(plan: Plan): Promise<Record<string, Uint8Array>> {
	const found = await Promise.all(
		clipsIn(plan).map(
			async ({ id, name }) => [id, await (name ? wavOfSound(id) : ownWav(id))] as const
		)
	);
	return Object.fromEntries(found.flatMap(([id, wav]) => (wav ? [[id, wav]] : [])));
}
