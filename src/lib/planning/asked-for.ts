/** What a plan asks for beside its robots: hands, and somebody who listens and speaks. */
import { voice } from '$core/devices/voice/device';
import type { Plan } from '$core/plan/plan';
import { robotKindOf } from '$core/robots/kinds';
import type { RobotRun } from '$core/simulation/attempt';

/** Some step or trigger asks whether the robot is touched. */
export const waitsForTouch = (
	{ chains }: Pick<Plan, 'chains'>,
	run: Pick<RobotRun, 'sensed'> | null
): boolean =>
	run?.sensed.touched !== undefined ||
	chains.some(({ trigger }) => trigger?.kind === 'whenTouched');

/** Some robot speaks, or hears words. */
export const hasVoice = ({ robots }: Pick<Plan, 'robots'>): boolean =>
	robots.some(({ kind }) => robotKindOf(kind).devices.includes(voice));
