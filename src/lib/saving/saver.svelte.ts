/**
 * Saves one open document as it changes: on the device at once, on the server shortly after. One
 * save is on its way at a time. While the server is away the newest draft waits on the device; where
 * that cannot keep it either, it waits in this page, and that is said.
 */
import { dropDraft, keepDraft, keepDraftAtOnce } from './device';
import { newId } from './id';
import { living } from './living';
import {
	answered,
	changed,
	dismissed,
	isSafe,
	kept,
	missed,
	opened,
	restored,
	retired,
	sent,
	type Saving
} from './machine';
import { unsent } from './orphans';
import type { Bench, Content, Save } from './protocol';
import { Refused, Unable } from './send';
import { sendSave } from './send-save';
import { thisTab, thisTabNow } from './tabs';

/** Kept: the device has what the server has not. Unkept: nobody has it but this page. */
export type SavingState = 'saved' | 'saving' | 'kept' | 'unkept' | 'refused';

/** Waits for a pause in typing, ms. */
const pause = 350;

export class Saver {
	private now: Saving;
	private readonly tab = thisTab();
	private timer: ReturnType<typeof setTimeout> | undefined;
	/** The newest draft is about to be kept on the device. */
	private isKeeping = false;
	private keeping: Promise<unknown> = Promise.resolve();
	/** A save is on its way, or its draft is being dropped. */
	private isBusy = false;
	/** Its document is closed. */
	private isDisposed = false;
	/** What the one before it had not sent. */
	private readonly inherited: Save | null;

	constructor(id: string, revision: number) {
		this.now = $state.raw(opened(id, revision));
		// Opened again before it was sent: this one takes over the draft, and the sending.
		this.inherited = living.get(id)?.retire() ?? null;
		living.set(id, this);
	}

	get id(): string {
		return this.now.id;
	}

	get state(): SavingState {
		const { answer, isKept } = this.now;
		if (answer === 'away') return isKept ? 'kept' : 'unkept';
		return answer;
	}

	/** After a conflict: the second version that now holds what is on screen. The same one is no news. */
	readonly secondVersion = $derived.by(() => this.now.secondVersion);

	/** It had been deleted elsewhere, and a save has brought it back. */
	get wasDeleted(): boolean {
		return this.now.wasDeleted;
	}

	/** Why the server took nothing, in its words; empty when it says nothing. */
	get refusal(): string {
		return this.now.refusal;
	}

	/** What is on screen is on the server or on the device. */
	get isSafe(): boolean {
		return isSafe(this.now);
	}

	/** The person has read what was said of a second version, or of what was deleted. */
	dismiss(): void {
		this.now = dismissed(this.now);
	}

	/** @returns what it had not sent */
	retire(): Save | null {
		const { draft } = this.now;
		clearTimeout(this.timer);
		this.now = retired(this.now);
		return draft;
	}

	private leave(id = this.id): void {
		if (living.get(id) === this) living.delete(id);
	}

	/** What had not been sent when its page was closed or reloaded. */
	async restore(): Promise<Save | null> {
		const save = this.inherited ?? (await unsent(this.id));
		if (!save) return null;
		this.now = restored(this.now, save, !this.inherited);
		if (this.inherited) this.keep();
		this.schedule(0);
		return save;
	}

	/** Takes a change; it is on the device before anything is sent. */
	change(work: Content, bench?: Bench): void {
		this.now = changed(this.now, work, bench, newId());
		this.keep();
		this.schedule(pause);
	}

	/** Tries at once, such as when the network is back. */
	hurry(): void {
		if (this.now.draft) this.schedule(0);
	}

	/** The document is closed: what is left is sent without waiting for a pause. */
	dispose(): void {
		this.isDisposed = true;
		this.keepNow();
		this.hurry();
		if (!this.now.draft && !this.isBusy) this.leave();
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
		const { id, draft: save } = this.now;
		const { isKeeping } = this;
		this.isKeeping = false;
		if (!save || !isKeeping) return;
		this.keeping = this.keeping.then(async () => {
			const isKept = await keepDraft({ id, tab: await this.tab, save });
			this.now = kept(this.now, save, isKept);
		});
	}

	/** The page is about to go: what is not kept yet is kept without waiting. @returns whether it is safe */
	keepAtOnce(): boolean {
		const { id, draft: save } = this.now;
		if (save && !this.isSafe)
			this.now = kept(this.now, save, keepDraftAtOnce({ id, tab: thisTabNow(), save }));
		return this.isSafe;
	}

	private schedule(delay: number): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.send(), delay);
	}

	private async send(): Promise<void> {
		if (this.isBusy) return;
		this.now = sent(this.now);
		const { id, sending } = this.now;
		if (!sending) return;
		this.isBusy = true;
		this.keepNow();
		await this.keeping;
		try {
			const saved = await sendSave(id, sending);
			// What was changed meanwhile is in what is now.
			this.now = answered(this.now, saved);
			await dropDraft(id, await this.tab, sending);
			if (this.id !== id) this.moveFrom(id);
			if (this.now.draft) this.schedule(0);
			else if (this.isDisposed) this.leave();
		} catch (error) {
			const isAnswer = error instanceof Refused || error instanceof Unable;
			const { retry } = this.now;
			this.now = missed(this.now, error instanceof Refused, isAnswer ? error.message : '');
			if (this.now.answer === 'away') this.schedule(retry);
		} finally {
			this.isBusy = false;
		}
	}

	/** From now on saves go to the second version; a newer draft moves with them. */
	private moveFrom(before: string): void {
		const { draft } = this.now;
		this.leave(before);
		living.set(this.id, this);
		if (!draft) return;
		void this.keeping.then(async () => dropDraft(before, await this.tab, draft));
		this.keep();
	}
}
