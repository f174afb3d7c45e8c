/** Plans saved to files, with the sounds that they play inside. */
import { recordingsIn, type Plan } from '$core/plan/plan';
import { downloadDocument } from './downloads';

export async function downloadPlan(plan: Plan): Promise<void> {
	if (recordingsIn(plan).length === 0) return downloadDocument(plan);
	const { withSounds } = await import('$lib/sounds/travelling');
	downloadDocument(await withSounds(plan));
}
