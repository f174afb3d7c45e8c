/** Drafts whose tab is gone: the page that opens their document goes on with them, or home sends them. */
import { allDrafts, dropDraft, keepDraft, type Draft } from './device';
import { living } from './living';
import type { Save } from './protocol';
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

/** What this tab had not sent of a document, or else a tab that is gone, whose draft it takes over. */
export async function unsent(id: string): Promise<Save | undefined> {
	const own = await thisTab();
	const drafts = await allDrafts(id);
	const mine = drafts.find(({ tab }) => tab === own);
	if (mine || drafts.length === 0) return mine?.save;
	const lives = await livingTabs();
	const left = drafts.find(({ tab }) => !lives(tab));
	if (left && (await keepDraft({ ...left, tab: own }))) await dropDraft(id, left.tab, left.save);
	return left?.save;
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
