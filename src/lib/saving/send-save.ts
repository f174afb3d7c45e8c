/** Sends a save. It checks the answer: home loads this when it has something to send. */
import { savedSchema, type Saved } from './answers';
import type { Save } from './protocol';
import { recordingsIn } from '$core/plan/plan';
import { request } from './send';

/** @throws what `request` throws */
export async function sendSave(id: string, save: Save): Promise<Saved> {
	await sendRecorded(save);
	return savedSchema.parse(await request('PUT', `/api/documents/${id}`, save));
}

/** Sounds that it plays go first: who has the plan then has them, too. */
async function sendRecorded({ work }: Save): Promise<void> {
	if (work.kind !== 'plan') return;
	const recordings = recordingsIn(work.content);
	if (recordings.length === 0) return;
	const { sendSounds } = await import('$lib/sounds/sound-store');
	await sendSounds(recordings.map(({ id }) => id));
}
