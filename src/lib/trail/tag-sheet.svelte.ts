/** The sheet that opens at a tag. It is fetched once the trail has settled, or when it is wanted first. */
import { tick } from 'svelte';
import { t } from '$lib/i18n';
import type { Voice } from '$lib/desk/voice.svelte';
import type { default as Sheet, Opening } from './Sheet.svelte';
import type { TrailFocus } from './trail-focus.svelte';

/** Milliseconds after which what is not shown at first is fetched. */
const settle = 1500;

export class TagSheet {
	Panel = $state.raw<typeof Sheet>();
	opening = $state.raw<Opening | null>(null);

	constructor(
		private readonly focus: TrailFocus,
		private readonly voice: Voice
	) {}

	mount(): () => void {
		const timer = setTimeout(() => void this.load(), settle);
		return () => clearTimeout(timer);
	}

	private async load(): Promise<void> {
		if (this.Panel) return;
		try {
			this.Panel = (await import('./Sheet.svelte')).default;
		} catch {
			this.voice.refuse(t('trail.notLoaded'));
		}
		// It is there, closed, before it opens: so it knows that it opens.
		await tick();
	}

	/** One that is open at another tag is closed first, with what is typed in it. */
	async show(next: Opening): Promise<void> {
		await this.load();
		if (this.opening) {
			this.opening = null;
			await tick();
		}
		this.opening = next;
	}

	/** @param next key of the row that has the keyboard then; the one from which it opened, if left out */
	async close(next?: string): Promise<void> {
		const closed = this.opening;
		this.opening = null;
		await tick();
		const { focus } = this;
		if (next) void focus.focus(next);
		else if (closed?.type === 'value' && closed.anchor.isConnected) closed.anchor.focus();
		else if (closed) void focus.focus(focus.current);
	}

	/** It goes with the next frame, unless another one has opened by then. */
	leave(): void {
		const from = this.opening;
		requestAnimationFrame(() => {
			if (this.opening === from) this.opening = null;
		});
	}
}
