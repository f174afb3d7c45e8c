/** Sounds inside the file of a plan, so that they travel with it. */
import { toBase64 } from '$core/sounds/travelling';
import { recordingsIn, type Plan } from '$core/plan/plan';
import { wavOfSound } from './sound-store';

/** The plan as its file holds it. */
export async function withSounds(plan: Plan): Promise<Plan> {
	const found = await Promise.all(
		recordingsIn(plan).map(async ({ id }) => [id, await wavOfSound(id)] as const)
	);
	const sounds = Object.fromEntries(
		found.flatMap(([id, wav]) => (wav ? [[id, toBase64(wav)]] : []))
	);
	return Object.keys(sounds).length > 0 ? { ...plan, sounds } : plan;
}
