/** The attempts of a workbench: the newest, the one before, and what is needed to have them again. */
import { isAlike } from '$core/alike';
import { markOf } from '$core/course/mark';
import type { Attempt } from '$core/simulation/attempt';
import { modelVersion } from '$core/simulation/settings';
import { say, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import { newId } from '$lib/saving/id';
import type { AttemptSeed } from '$lib/saving/protocol';
import { Player } from '$lib/timeline/player.svelte';
import { rehearse, stopAll, stopRehearsing } from './rehearser';
import type { Stand } from './stand';
import type { Voice } from './voice.svelte';

type Rehearsed = Parameters<typeof rehearse>[0];
/** What an attempt was made from, beside the course and its chance. */
export type Made = Pick<Rehearsed, 'plan' | 'touches' | 'only'>;

export class Runs {
	readonly player = new Player();
	/** Newest first, at most two. */
	seeds: AttemptSeed[] = [];
	previous = $state.raw<Attempt | null>(null);
	/** A rehearsal is being worked out: how many seconds of it are there. */
	rehearsing = $state.raw<{ readonly seconds: number } | null>(null);
	/** The course has changed since the last attempt, so it cannot be shown again. */
	hasCourseChanged = $state(false);
	/** What is shown was made by an older model: today's gives other numbers. */
	isOlderModel = $state(false);
	/** What the attempt that is shown was made from. */
	made = $state.raw<Made | null>(null);
	private latest: Rehearsed | null = null;
	/** How many there have been, so that an old one's progress is not taken for that of the newest. */
	private count = 0;

	/** Robots run. */
	isLive = $state(false);

	/** Told of each attempt that has been made, and again when a hand has changed it. @param id of its own */
	onMade: (id: string, attempt: Attempt, made: Made) => void = () => {};
	/** Told of each run on robots that begins. @param id of its own */
	onBegun: (id: string) => void = () => {};
	/** Told of each that was made again from its seed. */
	onRestored: (seed: AttemptSeed, attempt: Attempt) => void = () => {};
	/** Of the attempt that was made last. */
	private id: string | null = null;

	readonly isRehearsing = $derived(this.rehearsing !== null);
	readonly hasChanged = $derived.by(
		() => this.made !== null && !isAlike(this.made.plan.chains, this.stand.plan.chains)
	);
	readonly outcome = $derived.by(() => {
		const { attempt, haltedAt } = this.player;
		if (!attempt) return null;
		if (haltedAt !== null)
			return { kind: 'halted', text: t('outcome.halted', { seconds: haltedAt }) };
		if (this.player.isPlaying || !this.player.isAtEnd) return null;
		const notes = attempt.notes.slice(0, 3).map(({ sentence }) => sentence);
		return {
			kind: attempt.outcome.kind,
			text: [attempt.outcome.reason, ...notes].map(say).join(' ')
		};
	});

	/** @param keep called when the seeds have changed */
	constructor(
		private readonly stand: Stand,
		private readonly voice: Voice,
		private readonly keep: () => void
	) {}

	/** Shows the attempts as they were when the plan was left. */
	async restore(): Promise<void> {
		const [newer, older] = this.seeds;
		const earlier = older && (await this.again(older));
		const latest = newer && (await this.again(newer));
		if (this.player.attempt) return;
		if (earlier) this.onRestored(older, earlier);
		if (latest) this.onRestored(newer, latest);
		this.previous = earlier ?? null;
		this.player.show(latest ?? null, true);
		if (!newer) return;
		this.isOlderModel = latest != null && newer.model !== modelVersion;
		this.wasOf(newer);
	}

	/** What is shown is an attempt of this plan, as it was. */
	private wasOf({ plan, touches, only }: Made): void {
		const isSame = isAlike(plan.chains, this.stand.plan.chains);
		this.made = { plan: isSame ? this.stand.plan : plan, touches, only };
	}

	/** @returns null when it cannot be had again, or the person has rehearsed anew meanwhile */
	private async again({ courseId, courseMark, ...kept }: AttemptSeed): Promise<Attempt | null> {
		const { course } = this.stand;
		if (courseId !== this.stand.courseId || this.count > 0) return null;
		this.hasCourseChanged = courseMark !== undefined && courseMark !== markOf(course);
		const { plan, variation, seed, parameters, touches, only } = kept;
		return this.hasCourseChanged
			? null
			: rehearse({ plan, course, variation, seed, parameters, touches, only });
	}

	/**
	 * A run on robots begins: what it tells takes the place of what was shown.
	 * @param id of the run; null for one that its robot makes by itself, and keeps
	 * @param plan that it runs
	 */
	beginLive(id: string | null = null, plan = this.stand.plan): void {
		stopRehearsing();
		this.previous = this.player.attempt;
		this.made = { plan };
		this.hasCourseChanged = this.isOlderModel = false;
		this.latest = null;
		this.id = id;
		this.isLive = true;
		if (id) this.onBegun(id);
	}

	/** @param isOver nothing more comes of it */
	follow(attempt: Attempt, isOver: boolean): void {
		this.player.follow(attempt, isOver);
		if (!isOver) return;
		this.isLive = false;
		if (this.id && this.made) this.onMade(this.id, attempt, this.made);
	}

	endLive(): void {
		this.isLive = false;
	}

	/** Somebody has rehearsed or run anew since this was opened. */
	get hasBegun(): boolean {
		return this.count > 0 || this.isLive;
	}

	/** Shows an attempt that was kept. @param model of then */
	showKept(attempt: Attempt, made: Made, model = modelVersion): void {
		this.previous = this.player.attempt;
		this.hasCourseChanged = false;
		this.isOlderModel = model !== modelVersion;
		this.latest = null;
		this.player.show(attempt, true);
		this.wasOf(made);
	}

	/** Another course is chosen: what was shown was on the one before. */
	forget(): void {
		this.player.show(null);
		this.previous = null;
		this.made = null;
		this.hasCourseChanged = this.isOlderModel = false;
	}

	/**
	 * Rehearses the plan and plays it from the start.
	 * @param only the id of the one chain to run
	 * @param seed of its chance; another each time, if it is left out
	 */
	async rehearse(
		only?: string,
		seed = crypto.getRandomValues(new Uint32Array(1))[0]!
	): Promise<void> {
		await this.stand.arrived;
		const { plan, course, courseId, variation, parameters } = this.stand;
		const known = parameters && { parameters };
		const inputs = { plan, variation, seed, ...known, ...(only && { only }) };
		const attempt = await this.attempt({ ...inputs, course });
		if (!attempt) return;
		this.previous = this.player.attempt;
		this.made = { plan, only };
		this.hasCourseChanged = this.isOlderModel = false;
		this.id = newId();
		if (courseId) {
			preferences.choose({ lastCourse: courseId });
			const kept = {
				...inputs,
				id: this.id,
				courseId,
				courseMark: markOf(course),
				at: Date.now(),
				model: modelVersion
			};
			this.seeds = [kept, ...this.seeds].slice(0, 2);
			this.keep();
		}
		this.latest = { ...inputs, course };
		this.player.show(attempt);
		this.player.play();
		this.onMade(this.id, attempt, this.made);
	}

	/** Stops what is being rehearsed, and what plays. */
	halt(): void {
		stopRehearsing();
		const isTold = this.stand.live?.halt() ?? false;
		this.player.halt();
		// A robot has halted once it stands, which its run says.
		if (!isTold) this.voice.announce(t('say.halted'));
	}

	/**
	 * A hand touches the robot at the moment that is shown, or somebody says a word to it. The same attempt is simulated once more
	 * with that touch in it: all before it stays the same, and it plays on from there.
	 */
	async touchRobot(robot: string, word?: string): Promise<void> {
		const { latest, player } = this;
		if (!latest || !player.isPlaying) return;
		const before = (latest.touches ?? []).filter(({ time }) => time <= player.time);
		const touches = [...before, { time: player.time, robot, ...(word !== undefined && { word }) }];
		const attempt = await this.attempt({ ...latest, touches });
		if (!attempt) return;
		this.latest = { ...latest, touches };
		this.made = { ...this.made!, touches };
		if (this.seeds[0]?.seed === latest.seed) {
			this.seeds = [{ ...this.seeds[0], touches }, ...this.seeds.slice(1)];
			this.keep();
		}
		player.exchange(attempt);
		if (this.id) this.onMade(this.id, attempt, this.made);
		this.voice.announce(word === undefined ? t('say.touched') : t('say.heard', { word }));
	}

	private async attempt(rehearsal: Rehearsed): Promise<Attempt | null> {
		const id = (this.count += 1);
		this.rehearsing = { seconds: 0 };
		try {
			const attempt = await rehearse(rehearsal, (seconds) => {
				// The last word of progress can come after the attempt itself.
				if (id === this.count && this.rehearsing) this.rehearsing = { seconds };
			});
			this.voice.notice = '';
			return attempt;
		} catch (error) {
			this.voice.notice = t('bench.rehearsalFailed', { detail: (error as Error).message });
			return null;
		} finally {
			if (id === this.count) this.rehearsing = null;
		}
	}

	dispose(): void {
		this.player.pause();
		stopAll();
	}
}
