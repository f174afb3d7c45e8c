/** Lamp posts, which light when a robot comes near. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { lengthTo } from '../measure';
import { atPoint, figure, partKind } from './kind';
import { point } from './schemas';

export const lampPosts = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		at: point,
		reach: z
			.number()
			.min(0.02)
			.max(2)
			.describe("Metres; the post lights when the robot's middle comes this near.")
	}),
	most: 200,
	stem: 'post',
	layer: 'Lamp posts',
	ink: { colour: '#b87a00', width: 3, dash: 3 },
	laying: 'spot',
	pull: 'reach',
	style: { reach: 0.15 },
	figures: figure('length', 'x', 'y', 'reach'),
	...atPoint,
	extent: ({ at, reach }) => ({ line: [at], half: reach, isFilled: true }),
	moved: (post, { point, size }) => ({ ...post, at: point(post.at), reach: size(post.reach) }),
	grip: {
		at: ({ at: [x, y], reach }) => [x + reach, y],
		pulled: (post, to, fit) => ({ ...post, reach: fit('reach', lengthTo(post.at, to)) })
	}
});
