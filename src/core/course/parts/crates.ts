/** Crates, which can be pushed. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { placeBeside, toldFrom } from '../measure';
import { atPoint, closed, figure, partKind, rectangle } from './kind';
import { bearing, height, point } from './schemas';

/** How high a crate is if its course does not say, metres. */
const usualHeight = 0.1;

export const crates = partKind({
	schema: z.strictObject({
		id: identifierSchema,
		at: point.describe('Its middle, [x, y] in metres.'),
		bearing,
		width: z.number().min(0.02).max(1).describe('Metres, across its bearing.'),
		depth: z.number().min(0.02).max(1).describe('Metres, along its bearing.'),
		mass: z.number().min(0.01).max(5).describe('Kilograms.'),
		height: height.optional().describe(`Metres; ${usualHeight}, if not given.`)
	}),
	most: 50,
	isLater: true,
	stem: 'crate',
	layer: 'Crates',
	ink: { colour: '#8a6a3a', fill: '#c9a36a' },
	laying: 'spot',
	pull: 'bearing',
	style: { width: 0.12, depth: 0.12, mass: 0.2 },
	figures: [
		...figure('length', 'x', 'y'),
		...figure('angle', 'bearing'),
		...figure('length', 'width', 'depth', 'height'),
		...figure('mass', 'mass')
	],
	usual: { height: usualHeight },
	...atPoint,
	extent: ({ at, bearing, width, depth }) => ({
		line: closed(rectangle(at, bearing, depth / 2, width / 2)),
		half: 0,
		isFilled: true
	}),
	moved: (crate, { point, bearing, size }) => ({
		...crate,
		at: point(crate.at),
		bearing: bearing(crate.bearing),
		width: size(crate.width),
		depth: size(crate.depth)
	}),
	grip: {
		at: (crate) => placeBeside(crate.at, crate.bearing, crate.depth / 2, crate.width / 2),
		pulled: (crate, to, fit) => {
			const { along, left } = toldFrom(crate.at, crate.bearing, to);
			return {
				...crate,
				width: fit('width', 2 * Math.abs(left)),
				depth: fit('depth', 2 * Math.abs(along))
			};
		}
	}
});

/** Metres from the floor to the top. */
export const topOfCrate = ({ height }: { readonly height?: number | undefined }): number =>
	height ?? usualHeight;
