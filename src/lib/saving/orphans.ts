/** Drafts whose tab is gone: whichever page opens next sends them. */
import { allDrafts, dropDraft, type Draft } from './device';
import { living } from './living';
import { Refused } from './send';
import { beatLife, livingTabs, thisTab } from './tabs';

export interface Sent {
	/** How many were sent. */
	readonly sent: number;
	/** Why others were refused; those stay on the device. */
	readonly refusals: readonly string[];
}

/** Sends them now, and looks again now and then: a tab that crashed beats no more. @returns a stop */
export function sendOrphans(report: (sent: Sent) => Promise<void>): () => void {
	const send = () => void sendAll().then(report);
	send();
	const timer = setInterval(send, beatLife);
	return () => clearInterval(timer);
}

async function orphans(): Promise<Draft[]> {
	const own = await thisTab();
	const lives = await livingTabs();
	return (await allDrafts()).filter(({ id, tab }) => (tab === own ? !living.has(id) : !lives(tab)));
}

/** As far as the server can be reached. */
async function sendAll(): Promise<Sent> {
	let sent = 0;
	const refusals: string[] = [];
	for (const { id, tab, save } of await orphans()) {
		try {
			const { sendSave } = await import('./send-save');
			await sendSave(id, save);
			await dropDraft(id, tab, save);
			sent += 1;
		} catch (error) {
			if (!(error instanceof Refused)) break;
			refusals.push(error.message);
		}
	}
	return { sent, refusals };
}
