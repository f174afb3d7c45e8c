/** Sounds for robots: the files of all that a plan plays. */
import { clipsIn, type Plan } from '$core/plan/plan';
import { wavOf } from '$core/sounds/wav';
import { samplesOfSound } from './sound-work';

/** By the hashes of the files; what nobody has is left out. */
export async function wavsOf(plan: Plan): Promise<Record<string, Uint8Array>> {
	const found = await Promise.all(
		clipsIn(plan).map(async ({ id }) => [id, await samplesOfSound(id)] as const)
	);
	return Object.fromEntries(
		found.flatMap(([id, samples]) => (samples ? [[id, wavOf(samples)]] : []))
	);
}
