/** All steps, in the order the shelf offers them. A new step is added to the list of its family. */
import type { StepDefinition } from './definition';
import { flowSteps } from './flow';
import { glowSteps } from './glow';
import { crewSteps, ownSteps } from './own';
import { reckonSteps, senseSteps } from './reckon';
import { face, patches, patchesFor } from './patches';
import { pinSteps } from './pins';
import { soundSteps } from './sound';
import { travelSteps, waitStill } from './travel';
import { triggers } from './triggers';

export const catalogue: readonly StepDefinition[] = [
	...travelSteps,
	...pinSteps,
	patches,
	patchesFor,
	...glowSteps,
	face,
	...soundSteps,
	...flowSteps,
	waitStill,
	...senseSteps,
	...reckonSteps,
	...crewSteps,
	...ownSteps,
	...triggers
];
