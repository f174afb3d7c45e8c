/** Gates, which something that flies passes through. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { placeBeside, toldFrom } from '../measure';
import { atPoint, figure, partKind, rectangle } from './kind';
import { bearing, height, point } from './schemas';

export const gateShapes = ['ring', 'door'] as const;

export const gates = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		shape: z.enum(gateShapes),
		at: point.describe('The middle of its opening, from above.'),
		bearing: bearing.describe('The way through it; it may be passed both ways.'),
		width: z.number().min(0.05).max(3).describe('Metres; of a ring, its diameter.'),
		height: height.describe('Metres from the floor: to the middle of a ring, to the top of a door.')
	}),
	most: 100,
	isLater: true,
	about: 'A gate counts as a lamp post does, once a robot has passed through it.',
	stem: 'gate',
	layer: 'Gates',
	ink: { colour: '#7a5aa0', width: 16 },
	laying: 'spot',
	pull: 'bearing',
	style: { shape: 'door', width: 0.5, height: 0.8 },
	figures: [
		...figure('choice', 'shape'),
		...figure('length', 'x', 'y'),
		...figure('angle', 'bearing'),
		...figure('length', 'width', 'height')
	],
	...atPoint,
	extent: ({ at, bearing, width }) => {
		const [one, , , other] = rectangle(at, bearing, 0, width / 2);
		return { line: [one!, other!], half: 0.03, isFilled: false };
	},
	moved: (gate, { point, bearing, size }) => ({
		...gate,
		at: point(gate.at),
		bearing: bearing(gate.bearing),
		width: size(gate.width)
	}),
	grip: {
		at: (gate) => placeBeside(gate.at, gate.bearing, 0, gate.width / 2),
		pulled: (gate, to, fit) => ({
			...gate,
			width: fit('width', 2 * Math.abs(toldFrom(gate.at, gate.bearing, to).left))
		})
	}
});
