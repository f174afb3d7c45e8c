/**
 * The course document: the place where a mission happens, seen from above. Metres; x to the east,
 * y to the north, from the south-west corner of the floor; bearings in degrees clockwise from north.
 */
import { z } from 'zod';
import {
	identifierSchema,
	isFields,
	nameSchema,
	withUpgrades,
	type DocumentFormat,
	type Fields,
	type Upgrade
} from '../document';
import { floorColours, type FloorColour } from '../colours';
import { RailPath } from './rails';
import { surfaces, type SurfaceName } from './surfaces';

const coordinate = z.number().min(-50).max(50);
const point = z.tuple([coordinate, coordinate]).describe('[x, y] in metres.');

/** How high things stand if their course does not say, metres. */
const usualHeights = { wall: 0.15, crate: 0.1 };
const height = z.number().min(0.01).max(3);

const wallSchema = z.strictObject({
	id: identifierSchema,
	from: point,
	to: point,
	thickness: z.number().min(0.005).max(1).describe('Metres; the ends reach half of it further.'),
	height: height.optional().describe(`Metres; ${usualHeights.wall}, if not given.`)
});

const lampPostSchema = z.strictObject({
	id: identifierSchema,
	at: point,
	reach: z
		.number()
		.min(0.02)
		.max(2)
		.describe("Metres; the post lights when the robot's middle comes this near.")
});

const colours = Object.keys(floorColours) as [FloorColour, ...FloorColour[]];
const colour = z.enum(colours);

const tapeSchema = z.strictObject({
	id: identifierSchema,
	points: z.array(point).min(2).max(200).describe('The middle of the tape, in order.'),
	isClosed: z.boolean().describe('Whether the last point is joined to the first.'),
	radius: z
		.number()
		.min(0)
		.max(5)
		.describe('Metres; corners are rounded with it where they can be.'),
	width: z.number().min(0.005).max(0.2).describe('Metres.'),
	colour
});

const patchSchema = z.strictObject({
	id: identifierSchema,
	corners: z.array(point).min(3).max(50).describe('Its outline, in order.'),
	colour
});

const surfaceNames = Object.keys(surfaces) as [SurfaceName, ...SurfaceName[]];
const surface = z.enum(surfaceNames);

const surfaceSchema = z.strictObject({
	id: identifierSchema,
	corners: z.array(point).min(3).max(50).describe('Its outline, in order.'),
	surface
});

const crateSchema = z.strictObject({
	id: identifierSchema,
	at: point.describe('Its middle, [x, y] in metres.'),
	bearing: z.number().min(0).lt(360),
	width: z.number().min(0.02).max(1).describe('Metres, across its bearing.'),
	depth: z.number().min(0.02).max(1).describe('Metres, along its bearing.'),
	mass: z.number().min(0.01).max(5).describe('Kilograms.'),
	height: height.optional().describe(`Metres; ${usualHeights.crate}, if not given.`)
});

export const gateShapes = ['ring', 'door'] as const;
const gateSchema = z.strictObject({
	id: identifierSchema,
	shape: z.enum(gateShapes),
	at: point.describe('The middle of its opening, from above.'),
	bearing: z.number().min(0).lt(360).describe('The way through it; it may be passed both ways.'),
	width: z.number().min(0.05).max(3).describe('Metres; of a ring, its diameter.'),
	height: height.describe('Metres from the floor: to the middle of a ring, to the top of a door.')
});

const padSchema = z.strictObject({
	id: identifierSchema,
	at: point,
	radius: z.number().min(0.05).max(1).describe('Metres.')
});

const railPieceSchema = z.union([
	z.strictObject({ length: z.number().min(0.01).max(20).describe('A straight, metres.') }),
	z
		.strictObject({
			radius: z.number().min(0.1).max(5).describe('Metres.'),
			angle: z.number().min(-360).max(360).describe('Degrees; positive to the right.')
		})
		.describe('A curve.')
]);

const railSchema = z
	.strictObject({
		id: identifierSchema,
		at: point.describe('Where it begins.'),
		bearing: z.number().min(0).lt(360).describe('Along which it begins.'),
		pieces: z.array(railPieceSchema).min(1).max(200).describe('One after the other.'),
		isClosed: z
			.boolean()
			.describe('Whether it ends where it begins; else it has an end stop at each end.'),
		marks: z
			.array(z.strictObject({ at: z.number().min(0).describe('Metres along the rail.'), colour }))
			.max(50)
			.describe('Colour marks beside it.')
	})
	.refine((rail) => !rail.isClosed || new RailPath(rail).doesMeetItself, {
		params: { key: 'railOpen' }
	});

/** A part of the whole, for light and sound around the course. */
const part = z.number().min(0).max(1);

/** Parts that came later: a course that was written before them is read without them. */
const later = {
	tapes: z.array(tapeSchema).max(200).default([]),
	patches: z.array(patchSchema).max(200).default([]),
	surface: surface.default('tile').describe('What the whole floor is made of.'),
	surfaces: z
		.array(surfaceSchema)
		.max(50)
		.default([])
		.describe('Where it is made of something else; what comes later covers what comes before.'),
	crates: z.array(crateSchema).max(50).default([]),
	gates: z
		.array(gateSchema)
		.max(100)
		.default([])
		.describe('A gate counts as a lamp post does, once a robot has passed through it.'),
	pads: z.array(padSchema).max(50).default([]).describe('Where something that flies may land.'),
	rails: z.array(railSchema).max(20).default([]),
	ceiling: z.number().min(0.5).max(20).default(2.5).describe('Metres from the floor.'),
	table: z
		.array(point)
		.min(3)
		.max(50)
		.nullable()
		.default(null)
		.describe(
			'Outline of the table that the course stands on; beyond it is the drop. null: floor.'
		),
	light: part.default(0.6).describe('Daylight, 0 dark to 1 bright.'),
	sound: part.default(0.1).describe('Noise of the room, 0 to 1.'),
	isInOrder: z
		.boolean()
		.default(false)
		.describe('Whether lamp posts, and gates, count only one after the other, as they are listed.'),
	locked: z
		.array(z.string().regex(/^[A-Za-z]{1,20}\/[A-Za-z0-9_-]{1,40}$/))
		.max(2000)
		.default([])
		.describe('Parts that are held fast while the course is drawn, such as walls/pier.')
};

const maximumStarts = 8;
const startSchema = z.strictObject({
	at: point,
	bearing: z.number().min(0).lt(360).describe('Where front points, degrees clockwise from north.')
});

const currentSchema = z.strictObject({
	format: z.literal('lantern-step/course'),
	version: z.literal(2),
	name: nameSchema,
	size: z.strictObject({
		width: z.number().min(0.5).max(20).describe('West to east, in metres.'),
		height: z.number().min(0.5).max(20).describe('South to north, in metres.')
	}),
	starts: z
		.array(startSchema)
		.max(maximumStarts)
		.describe('Start marks, one for each robot; for more robots than marks there is room beside.'),
	finish: z
		.strictObject({ at: point, radius: z.number().min(0.02).max(2).describe('Metres.') })
		.nullable()
		.describe('The finish ring; null for a course that is only for trying out.'),
	walls: z.array(wallSchema).max(2000),
	lampPosts: z.array(lampPostSchema).max(200),
	...later
});

export type Course = z.infer<typeof currentSchema>;

const finishSchema = currentSchema.shape.finish.unwrap();
const tableSchema = later.table.unwrap().unwrap();

/** What one part of each kind is made of. */
export const partSchemas = {
	surfaces: surfaceSchema,
	patches: patchSchema,
	tapes: tapeSchema,
	rails: railSchema,
	pads: padSchema,
	finish: finishSchema,
	lampPosts: lampPostSchema,
	gates: gateSchema,
	walls: wallSchema,
	crates: crateSchema,
	starts: startSchema,
	table: tableSchema
};

/** What is true of the whole course. */
export const fieldSchemas = {
	name: nameSchema,
	size: currentSchema.shape.size,
	surface,
	ceiling: later.ceiling.unwrap(),
	light: part,
	sound: part,
	isInOrder: z.boolean(),
	locked: later.locked.unwrap()
};

/** In version 1 there was one start mark. */
const startToStarts: Upgrade = ({ start, ...course }) => ({ ...course, starts: [start] });

/** Files from anywhere may repeat an id in a list: the later part gets one of its own. */
function ownIds(document: Fields): Fields {
	const mended = Object.entries(document).map(([name, list]) => {
		if (!Array.isArray(list)) return [name, list] as const;
		const taken = new Set<string>();
		const parts = list.map((part: unknown): unknown => {
			if (!isFields(part) || typeof part.id !== 'string') return part;
			const id = taken.has(part.id) ? otherId(part.id, taken) : part.id;
			taken.add(id);
			return id === part.id ? part : { ...part, id };
		});
		return [name, parts] as const;
	});
	return Object.fromEntries(mended);
}

function otherId(id: string, taken: ReadonlySet<string>): string {
	for (let number = 2; ; number++) {
		const other = `${id.slice(0, 34)}-${number}`;
		if (!taken.has(other)) return other;
	}
}

export const courseSchema: z.ZodType<Course> = withUpgrades(currentSchema, [startToStarts], ownIds);

export const courseFormat: DocumentFormat<Course> = {
	name: 'lantern-step/course',
	version: 2,
	schema: courseSchema
};

type CourseParts = Partial<Course> & Pick<Course, 'name' | 'size' | 'starts'>;

/** A course of these parts, with nothing else on it. */
export const makeCourse = (parts: CourseParts): Course =>
	courseSchema.parse({
		format: courseFormat.name,
		version: courseFormat.version,
		finish: null,
		walls: [],
		lampPosts: [],
		...parts
	});
export type Wall = z.infer<typeof wallSchema>;
export type Gate = z.infer<typeof gateSchema>;

/** Metres from the floor to the top. */
export const topOfWall = ({ height }: Pick<Wall, 'height'>): number => height ?? usualHeights.wall;
export const topOfCrate = ({ height }: Pick<Crate, 'height'>): number =>
	height ?? usualHeights.crate;
export type Tape = z.infer<typeof tapeSchema>;
export type Patch = z.infer<typeof patchSchema>;
export type Crate = z.infer<typeof crateSchema>;
export type Point = readonly [number, number];
export type LampPost = z.infer<typeof lampPostSchema>;
