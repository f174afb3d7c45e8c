/** Something stood in the way: a wall, a crate, another robot, the end of a rail. */
import type { Matter } from './reason';
import { sizeOf } from './reason';

/** Metres of a miss that a brush against something may well be the reason of. */
const least = 0.005;

export const met: Matter = ({ added, bumps, span }) => {
	const [bump] = bumps;
	if (!bump || !added || sizeOf(added) < least) return null;
	return {
		sentence: {
			key: `reason.met.${bump.against}`,
			values: { seconds: bump.time - span.start }
		},
		explains: added,
		at: bump.time
	};
};
