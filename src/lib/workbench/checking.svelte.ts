/** Checks the plan when the person pauses; then once more with what a rehearsal in the background tells. */
import type { Problem } from '$core/checks';
import type { Stand } from '$lib/desk/stand';
import { rehearseQuietly } from '$lib/desk/rehearser';

/** Milliseconds after the last change until the plan is checked, and rehearsed for the checks. */
const delay = 250;
/** Seconds of virtual time that the rehearsal for the checks may take. */
const limit = 60;

export class Checking {
	problems = $state.raw<readonly Problem[]>([]);
	private timer: ReturnType<typeof setTimeout> | undefined;

	constructor(private readonly stand: Stand) {}

	soon(): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => void this.check(), delay);
	}

	private async check(): Promise<void> {
		// The first view does without it.
		const { checkPlan } = await import('$core/checks');
		const { plan, course, variation, parameters } = this.stand;
		this.problems = checkPlan(plan, { course });
		const attempt = await rehearseQuietly({ plan, course, variation, parameters, seed: 1, limit });
		const isCurrent = plan === this.stand.plan && course === this.stand.course;
		if (attempt && isCurrent) this.problems = checkPlan(plan, { course, attempt });
	}

	dispose(): void {
		clearTimeout(this.timer);
	}
}
