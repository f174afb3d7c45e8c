/** A plan that is tried on the course of the desk, without leaving it. */
import { planSchema, type Plan } from '$core/plan/plan';
import type { Variation } from '$core/robots/robot';
import { t } from '$lib/i18n';
import { newPlan } from '$lib/desk/new-documents';
import type { Listed } from '$lib/saving/answers';
import { fetchPage } from '$lib/lists/lists';
import { request } from '$lib/saving/send';
import { Runs } from '$lib/desk/runs.svelte';
import type { Stand } from '$lib/desk/stand';
import type { CourseBench } from './course-bench.svelte';

/** Plans that can be chosen at once. */
const offered = 100;

export class Trying implements Stand {
	plan = $state.raw<Plan>(newPlan(''));
	/** The id of the plan that is tried; none is chosen yet while it is empty. */
	planId = $state('');
	/** It is here, and can be rehearsed. */
	isReady = $state(false);
	/** The newest. */
	plans = $state.raw<readonly Listed[]>([]);
	/** There are others, which are sought. */
	hasMore = $state(false);
	variation = $state<Variation>('classroom');
	/** What is tried here is no attempt of the plan: nothing of it is kept. */
	readonly courseId = null;
	readonly live = null;
	readonly arrived = Promise.resolve();
	readonly runs: Runs;
	readonly robot = $derived.by(
		() => this.plan.robots.find(({ id }) => id === this.runs.player.shown) ?? this.plan.robots[0]!
	);

	constructor(private readonly bench: CourseBench) {
		this.runs = new Runs(this, bench.voice, () => {});
	}

	get player() {
		return this.runs.player;
	}
	get course() {
		return this.bench.course;
	}

	show(id: string): void {
		this.player.shown = id;
	}

	async fetchPlans(): Promise<void> {
		try {
			const page = await fetchPage({ kind: 'plan', limit: offered });
			this.plans = page.rows;
			this.hasMore = page.rows.length < page.total;
		} catch {
			this.bench.voice.refuse(t('home.failed'));
		}
	}

	/** One that was sought. */
	async take(listed: Listed): Promise<void> {
		if (!this.plans.some(({ id }) => id === listed.id)) this.plans = [listed, ...this.plans];
		await this.choose(listed.id);
	}

	async choose(id: string): Promise<void> {
		this.planId = id;
		this.isReady = false;
		this.runs.forget();
		if (!id) return;
		try {
			// What a plan says of its steps is said in words that a course does without.
			const [content] = await Promise.all([
				request('GET', `/api/documents/${id}`),
				import('$lib/words/core')
			]);
			const plan = planSchema.parse(content);
			if (id !== this.planId) return;
			this.plan = plan;
			this.isReady = true;
		} catch {
			this.bench.voice.refuse(t('course.try.unreadable'));
		}
	}

	dispose(): void {
		this.runs.dispose();
	}
}
