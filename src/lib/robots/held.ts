/**
 * Whether this device has anything to do with real robots, told without loading what talks to them:
 * robots that were not let go, and plans that were run.
 */
import { store, stored } from '$lib/storage';

export const robotsKey = 'lantern-step.robots';
const runsKey = 'lantern-step.ran';
/** Plans that are remembered. */
const mostPlans = 200;

export const holdsRobots = (): boolean => (stored(robotsKey) ?? '').includes('"isHeld":true');

const ranPlans = (): string[] => (stored(runsKey) ?? '').split(' ').filter(Boolean);
export const hasRun = (planId: string): boolean => ranPlans().includes(planId);

export function rememberRun(planId: string): void {
	const plans = [planId, ...ranPlans().filter((id) => id !== planId)].slice(0, mostPlans);
	store(runsKey, plans.join(' '));
}
