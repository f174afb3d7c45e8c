/**
 * Something stood in the way: a wall, a crate, another robot, the end of a rail. Where an ideal robot
 * runs into it as well, the plan asks for more than there is room for.
 */
import { asFarAsItCame } from './mend';
import { pushIn } from './pushed';
import { sizeOf, type Matter } from './reason';

/** Metres of a miss that a brush against something may well be the reason of. */
const least = 0.005;

export const met: Matter = (scene) => {
	const { intended, run } = scene;
	const ideal = intended?.runs.find(({ id }) => id === run.id)?.bumps ?? [];
	return (leg) => {
		const { added, bumps, span } = leg;
		const [bump] = bumps;
		if (!bump || !added || sizeOf(added) < least) return null;
		// What it went on to push says more.
		if (bump.against === 'crate' && pushIn(scene, leg)) return null;
		const isAnyway = ideal.some(
			({ stepId, against }) => stepId === span.stepId && against === bump.against
		);
		return {
			sentence: {
				key: isAnyway ? `reason.noRoom.${bump.against}` : `reason.met.${bump.against}`,
				values: { seconds: bump.time - span.start }
			},
			explains: added,
			mend: isAnyway ? asFarAsItCame(leg) : undefined,
			at: bump.time
		};
	};
};
