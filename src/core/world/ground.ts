/**
 * What lies flat under the robot: what the floor is made of, tape, colour patches, the table and its
 * edge. All distances are metres on the floor.
 */
import { surfaceKinds, type Surface } from '../course/surfaces';
import type { Course } from '../course/course';
import { isInside, type Point } from '../course/measure';
import { brightnessOf } from '../colours';
import { Paint, type Seen } from './paint';

export class Ground {
	private readonly paint: Paint;
	private lastX = NaN;
	private lastY = NaN;
	private lastSeen: Seen = { colour: 'white', brightness: brightnessOf.white };
	private readonly surface: Surface;
	private readonly areas: readonly {
		readonly surface: Surface;
		readonly corners: readonly Point[];
	}[];
	private readonly table: readonly Point[] | null;

	constructor(course: Pick<Course, 'tapes' | 'patches' | 'table' | 'surface' | 'surfaces'>) {
		this.surface = surfaceKinds[course.surface];
		this.areas = course.surfaces
			.map(({ surface, corners }) => ({ surface: surfaceKinds[surface], corners }))
			.toReversed();
		this.paint = new Paint(course);
		this.table = course.table;
	}

	/**
	 * What is seen at one place is remembered, since colour, brightness and recorder ask for it in the
	 * same tick.
	 */
	seenAt(x: number, y: number): Seen {
		if (x !== this.lastX || y !== this.lastY) {
			this.lastX = x;
			this.lastY = y;
			this.lastSeen = this.paint.seenAt(x, y);
		}
		return this.lastSeen;
	}

	/** What the floor is made of at this point. */
	surfaceAt(x: number, y: number): Surface {
		const { areas } = this;
		for (let i = 0; i < areas.length; i++) {
			if (isInside(areas[i]!.corners, x, y)) return areas[i]!.surface;
		}
		return this.surface;
	}

	/** Whether there is no table under this point. */
	isBeyondEdge(x: number, y: number): boolean {
		return this.table !== null && !isInside(this.table, x, y);
	}
}
