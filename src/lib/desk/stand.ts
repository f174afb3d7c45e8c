/** What a rehearsal is made of, as it stands on the workbench now. */
import type { Course } from '$core/course/course';
import type { Plan } from '$core/plan/plan';
import type { Variation } from '$core/robots/robot';
import type { Circumstances } from '$core/simulation/attempt';

export interface Stand {
	readonly plan: Plan;
	readonly course: Course;
	/** null where no course is chosen, or the one that was is gone. */
	readonly courseId: string | null;
	readonly variation: Variation;
	/** By the ids of robots: what is known of them, and to be used. */
	readonly parameters?: Circumstances['parameters'];
	/** Ends once the course that was chosen is here: until then the one before stands. */
	readonly arrived: Promise<unknown>;
	/** Real robots, once somebody wants them. */
	readonly live: {
		/** @returns whether a robot that runs was told to */
		halt(): boolean;
	} | null;
}
