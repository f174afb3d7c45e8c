/**
 * Saves one open document as it changes: on the device at once, on the server shortly after. One
 * save is on its way at a time. While the server is away the newest draft waits on the device.
 */
import { dropDraft, findDraft, keepDraft } from './device';
import { newId } from './id';
import { living } from './living';
import type { Bench, Content, Save } from './protocol';
import { Refused, sendSave } from './send';
import { thisTab } from './tabs';

export type SavingState = 'saved' | 'saving' | 'kept' | 'refused';

/** Waits for a pause in typing, ms. */
const pause = 350;
/** Tries again after so long, ms; twice as long each time, up to the longest. */
const firstRetry = 1000;
const longestRetry = 15_000;

export class Saver {
	state = $state<SavingState>('saved');
	/** After a conflict: the name of the second version that now holds what is on screen. */
	secondVersion = $state<{ id: string; name: string } | null>(null);
	/** Why the server said no. */
	refusal = $state('');

	private readonly tab = thisTab();
	private draft: Save | null = null;
	private unanswered: string[] = [];
	private isSending = false;
	private timer: ReturnType<typeof setTimeout> | undefined;
	private retry = firstRetry;
	/** The newest draft is about to be kept on the device. */
	private isKeeping = false;
	private keeping: Promise<void> = Promise.resolve();
	/** Its document is closed. */
	private isDisposed = false;
	/** Another one has taken over. */
	private isRetired = false;

	constructor(
		public id: string,
		private revision: number
	) {
		// Opened again before it was sent: this one takes over the draft, and the sending.
		living.get(id)?.retire();
		living.set(id, this);
	}

	retire(): void {
		this.isRetired = true;
		clearTimeout(this.timer);
		this.draft = null;
	}

	private leave(): void {
		if (living.get(this.id) === this) living.delete(this.id);
	}

	/** What this tab had not sent when it was closed or reloaded. */
	async restore(): Promise<Save | null> {
		const found = await findDraft(this.id, await this.tab);
		if (!found) return null;
		this.draft = found.save;
		this.unanswered = [...found.save.unanswered, found.save.saveId];
		this.revision = found.save.baseRevision;
		this.schedule(0);
		return found.save;
	}

	/**
	 * Takes a change; it is on the device before anything is sent. A draft that it takes the place of
	 * may have been found there and sent by another page, so it counts as sent without an answer.
	 */
	change(work: Content, bench?: Bench): void {
		if (this.draft) this.missAnswer(this.draft.saveId);
		this.draft = {
			work,
			bench: bench ?? this.draft?.bench,
			baseRevision: this.revision,
			saveId: newId(),
			unanswered: this.unanswered.slice(-100)
		};
		if (this.state !== 'kept') this.state = 'saving';
		this.keep();
		this.schedule(pause);
	}

	private missAnswer(saveId: string): void {
		if (!this.unanswered.includes(saveId)) this.unanswered.push(saveId);
	}

	/** Tries at once, such as when the network is back. */
	hurry(): void {
		if (this.draft) this.schedule(0);
	}

	/** The document is closed: what is left is sent without waiting for a pause. */
	dispose(): void {
		this.isDisposed = true;
		this.keepNow();
		this.hurry();
		if (!this.draft && !this.isSending) this.leave();
	}

	/**
	 * After the frame that shows the change; changes that come together are kept together. A page that
	 * is hidden shows no frames: there the next try to send keeps it.
	 */
	private keep(): void {
		if (this.isKeeping) return;
		this.isKeeping = true;
		requestAnimationFrame(() => setTimeout(() => this.keepNow()));
	}

	private keepNow(): void {
		const { id, draft: save, isKeeping } = this;
		this.isKeeping = false;
		if (!save || !isKeeping) return;
		const keep = async () => keepDraft({ id, tab: await this.tab, save });
		this.keeping = this.keeping.then(keep, keep);
	}

	private schedule(delay: number): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.send(), delay);
	}

	private async send(): Promise<void> {
		if (!this.draft || this.isSending) return;
		this.isSending = true;
		const save = { ...this.draft, baseRevision: this.revision };
		const { id } = this;
		try {
			this.keepNow();
			// A device that is full must not keep the server from saving.
			await this.keeping.catch((error) => console.warn(error));
			const saved = await sendSave(id, save);
			const answered = this.unanswered.indexOf(save.saveId);
			this.unanswered = answered < 0 ? [] : this.unanswered.slice(answered + 1);
			this.revision = saved.revision;
			this.retry = firstRetry;
			if (this.draft?.saveId === save.saveId) {
				this.draft = null;
				this.state = 'saved';
			}
			await dropDraft(id, await this.tab, save.saveId);
			if (saved.kept) this.moveTo(saved.kept);
			if (this.draft) this.schedule(0);
			else if (this.isDisposed) this.leave();
		} catch (error) {
			this.missAnswer(save.saveId);
			if (error instanceof Refused) {
				this.refusal = error.message;
				this.state = 'refused';
			} else {
				this.state = 'kept';
				this.schedule(this.retry);
				this.retry = Math.min(longestRetry, this.retry * 2);
			}
		} finally {
			this.isSending = false;
		}
	}

	/** From now on saves go to the second version; a newer draft moves with them. */
	private moveTo(kept: { id: string; name: string }): void {
		const { draft, id: before } = this;
		if (this.isRetired) return;
		this.leave();
		this.id = kept.id;
		living.set(kept.id, this);
		this.secondVersion = kept;
		if (draft) {
			void this.keeping.then(async () => dropDraft(before, await this.tab, draft.saveId));
			this.keep();
		}
	}
}
