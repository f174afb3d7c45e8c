/** The newest attempts of plans on this device: looked for once the first view is there. */
import type { AttemptDatabase, AttemptRow } from '$workers/attempt-store';

let opened: Promise<AttemptDatabase | null> | undefined;

/** Null where nothing is kept, or nothing can be read. */
export async function newestOf(planId: string): Promise<AttemptRow | null> {
	try {
		const { openAttempts, attemptRows } = await import('$workers/attempt-store');
		const again = () => (opened = undefined);
		const database = await (opened ??= openAttempts(again).catch(() => null));
		return (database && (await attemptRows(database, planId))[0]) ?? null;
	} catch {
		// Without the server there is no script, and a card does without its picture.
		return null;
	}
}
