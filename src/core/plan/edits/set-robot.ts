/** Chooses another robot for the plan, or changes its settings. No step is ever lost by it. */
import { z } from 'zod';
import { failure, success } from '../../sentence';
import { planRobotSchema, type PlanRobot } from '../plan';
import type { EditKind } from './edit';

const schema = z.strictObject({
	type: z.literal('setRobot'),
	index: z.int().min(0),
	robot: z.custom<PlanRobot>()
});

export const setRobot: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const before = plan.robots[edit.index];
		const robot = planRobotSchema.safeParse(edit.robot);
		if (!before || !robot.success) return failure('edit.robotRefused');
		return success({
			plan: { ...plan, robots: plan.robots.with(edit.index, robot.data) },
			inverse: { ...edit, robot: before }
		});
	}
};
