/** The newest attempts of plans, on this device and on the server: looked for once the first view is there. */
import type { ListedAttempt } from '$core/attempts/kept';
import type { AttemptDatabase } from '$workers/attempt-store';

let opened: Promise<AttemptDatabase | null> | undefined;

/** Null where nothing is kept, or nothing can be read. */
async function newestHere(planId: string): Promise<ListedAttempt | null> {
	const { openAttempts, attemptRows } = await import('$workers/attempt-store');
	const again = () => (opened = undefined);
	const database = await (opened ??= openAttempts(again).catch(() => null));
	return (database && (await attemptRows(database, planId))[0]) ?? null;
}

let asked: { readonly plans: string[]; readonly answer: Promise<ListedAttempt[]> } | undefined;

/** All cards that come at once ask in one request. */
async function newestThere(planId: string): Promise<ListedAttempt | null> {
	if (!asked) {
		const plans: string[] = [];
		const answer = new Promise((soon) => setTimeout(soon)).then(async () => {
			asked = undefined;
			const response = await fetch(`/api/newest-attempts?plans=${plans.join()}`);
			return response.ok ? ((await response.json()) as ListedAttempt[]) : [];
		});
		asked = { plans, answer };
	}
	asked.plans.push(planId);
	return (await asked.answer).find((row) => row.planId === planId) ?? null;
}

/** Null where there is none, or none can be asked for: a card does without its picture. */
export async function newestOf(planId: string): Promise<ListedAttempt | null> {
	const [here, there] = await Promise.all(
		[newestHere, newestThere].map((look) => look(planId).catch(() => null))
	);
	return there && there.at > (here?.at ?? 0) ? there : (here ?? null);
}
