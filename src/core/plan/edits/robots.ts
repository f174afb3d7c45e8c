/** Robots come, go and change, and chains are handed to them. No step is ever lost by it. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { withChain } from '../places';
import { maximumRobots, planRobotSchema, type Chain, type Plan } from '../plan';
import type { EditKind } from './edit';

const indexOf = ({ robots }: Plan, robot: string): number =>
	robots.findIndex(({ id }) => id === robot);

const addSchema = z.strictObject({
	type: z.literal('addRobot'),
	index: z.int().min(0),
	robot: planRobotSchema
});

export const addRobot: EditKind<z.infer<typeof addSchema>> = {
	schema: addSchema,
	apply(plan, { index, robot }) {
		if (plan.robots.length >= maximumRobots) {
			return failure('edit.tooManyRobots', { maximum: maximumRobots });
		}
		if (indexOf(plan, robot.id) >= 0) return failure('edit.repeatedRobot', { id: robot.id });
		return success({
			document: { ...plan, robots: plan.robots.toSpliced(index, 0, robot) },
			inverse: { type: 'removeRobot', robot: robot.id }
		});
	}
};

const removeSchema = z.strictObject({ type: z.literal('removeRobot'), robot: identifierSchema });

/** Its chains are the first robot's then. */
export const removeRobot: EditKind<z.infer<typeof removeSchema>> = {
	schema: removeSchema,
	apply(plan, edit) {
		const index = indexOf(plan, edit.robot);
		const robot = plan.robots[index];
		if (!robot || plan.robots.length === 1) return failure('edit.lastRobot');
		const own = plan.chains.filter((chain) => chain.robot === edit.robot);
		return success({
			document: {
				...plan,
				robots: plan.robots.toSpliced(index, 1),
				chains: plan.chains.map((chain) => (own.includes(chain) ? withoutRobot(chain) : chain))
			},
			inverse: {
				type: 'together',
				edits: [
					{ type: 'addRobot', index, robot },
					...own.map(({ id }) => ({ type: 'assign' as const, chain: id, robot: edit.robot }))
				]
			}
		});
	}
};

const setSchema = z.strictObject({ type: z.literal('setRobot'), robot: planRobotSchema });

/** Another kind, name or settings for the robot with this id. */
export const setRobot: EditKind<z.infer<typeof setSchema>> = {
	schema: setSchema,
	apply(plan, { robot }) {
		const index = indexOf(plan, robot.id);
		const before = plan.robots[index];
		if (!before) return failure('edit.noRobot', { id: robot.id });
		return success({
			document: { ...plan, robots: plan.robots.with(index, robot) },
			inverse: { type: 'setRobot', robot: before }
		});
	}
};

const assignSchema = z.strictObject({
	type: z.literal('assign'),
	chain: identifierSchema,
	/** null for the first. */
	robot: identifierSchema.nullable()
});

export const assign: EditKind<z.infer<typeof assignSchema>> = {
	schema: assignSchema,
	apply(plan, edit) {
		const { robot } = edit;
		const chain = plan.chains.find(({ id }) => id === edit.chain);
		if (!chain) return failure('edit.noHolder', { id: edit.chain });
		if (robot !== null && indexOf(plan, robot) < 0) return failure('edit.noRobot', { id: robot });
		return success({
			document: withChain(plan, edit.chain, (old) =>
				robot === null ? withoutRobot(old) : { ...old, robot }
			),
			inverse: { ...edit, robot: chain.robot ?? null }
		});
	}
};

const withoutRobot = (chain: Chain): Chain => ({ ...chain, robot: undefined });
