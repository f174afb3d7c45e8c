/** What is told of a run while it goes on: what needs a hand, where it waits, whether that is old. */
import type { HeldBehind, LiveNews } from '$core/live/live-news';
import { say, t } from '$lib/i18n';
import type { LiveStand } from './live-stand';

/** Seconds after which what a robot said is old. */
const oldAfter = 0.4;

export class ToldByRun {
	/** The leg behind which the run waits. */
	held = $state.raw<HeldBehind | null>(null);
	/** What needs a hand now, in words; empty if nothing does. */
	alarm = $state('');
	/** What the robots say is old. */
	isOld = $state(false);

	constructor(private readonly voice: Pick<LiveStand['voice'], 'announce'>) {}

	take(news: LiveNews, isOver: boolean): void {
		this.isOld = !isOver && news.age > oldAfter;
		this.takeAlarm(news.alarm);
		this.takeHeld((!isOver && news.held) || null);
	}

	/** Says once what needs a hand, and shows it as long as it does. */
	private takeAlarm(alarm: LiveNews['alarm']): void {
		const text = alarm ? say(alarm) : '';
		if (text && text !== this.alarm) this.voice.announce(text);
		this.alarm = text;
	}

	/** Says once behind which leg it waits. */
	private takeHeld(held: HeldBehind | null): void {
		const isNew = held && (held.stepId !== this.held?.stepId || held.round !== this.held.round);
		if (isNew) this.voice.announce(t('live.held', { number: held.number }));
		if (isNew || !held) this.held = held;
	}
}
