/** A course as a camera on a robot sees it: metres, x east, y up, z south. */
import {
	BoxGeometry,
	CircleGeometry,
	Color,
	CylinderGeometry,
	DirectionalLight,
	DoubleSide,
	Group,
	HemisphereLight,
	Mesh,
	MeshLambertMaterial,
	PlaneGeometry,
	RingGeometry,
	Scene,
	Shape,
	ShapeGeometry,
	TorusGeometry,
	type BufferGeometry
} from 'three';
import { floorColours } from '$core/colours';
import { type Course } from '$core/course/course';
import { RailPath } from '$core/course/rails';
import { lineOf } from '$core/course/tape';
import { headingOfBearing, radians } from '$core/units/angles';
import { topOfCrate } from '$core/course/parts/crates';
import { topOfWall } from '$core/course/parts/walls';
import type { Point } from '$core/course/measure';

const colours = {
	ground: '#8d8f86',
	floor: '#efe8d6',
	wall: '#33445f',
	crate: '#b98b52',
	post: '#5d6675',
	lit: '#ffb83a',
	ring: '#0f766e',
	gate: '#5d6675',
	rail: '#5b5148',
	sky: '#c9d6de',
	night: '#1d2836'
};
/** Metres above the floor, so that what lies on it does not flicker with it. */
const layer = 0.0008;
const postHeight = 0.22;

const paint = (colour: string, isGlowing = false) =>
	new MeshLambertMaterial({
		color: colour,
		side: DoubleSide,
		...(isGlowing && { emissive: new Color(colour) })
	});

const put = (geometry: BufferGeometry, colour: string, x: number, y: number, z: number): Mesh => {
	const mesh = new Mesh(geometry, paint(colour));
	mesh.position.set(x, y, -z);
	return mesh;
};

/** Something flat, of this outline, so many layers above the floor. */
function flat(outline: readonly Point[], colour: string, level: number): Mesh {
	const shape = new Shape();
	outline.forEach(([x, y], index) => (index === 0 ? shape.moveTo(x, y) : shape.lineTo(x, y)));
	const mesh = new Mesh(new ShapeGeometry(shape), paint(colour));
	mesh.rotation.x = -Math.PI / 2;
	mesh.position.y = level * layer;
	return mesh;
}

/** A ribbon along a line. */
function ribbon(line: readonly Point[], width: number, colour: string, level: number): Group {
	const group = new Group();
	for (let i = 1; i < line.length; i++) {
		const [x1, y1] = line[i - 1]!;
		const [x2, y2] = line[i]!;
		const length = Math.hypot(x2 - x1, y2 - y1) + width / 2;
		const piece = new Mesh(new PlaneGeometry(length, width), paint(colour));
		piece.rotation.set(-Math.PI / 2, 0, Math.atan2(y2 - y1, x2 - x1));
		piece.position.set((x1 + x2) / 2, level * layer, -(y1 + y2) / 2);
		group.add(piece);
	}
	return group;
}

function ring(at: Point, radius: number, colour: string): Mesh {
	const mesh = new Mesh(new RingGeometry(radius * 0.92, radius, 48), paint(colour));
	mesh.rotation.x = -Math.PI / 2;
	mesh.position.set(at[0], 5 * layer, -at[1]);
	return mesh;
}

export interface CourseScene {
	readonly scene: Scene;
	/** Shows which posts and gates are lit, and where crates are. */
	update(
		lit: ReadonlySet<string>,
		crates: ReadonlyMap<string, { x: number; y: number; heading: number } | null>
	): void;
}

export function sceneOf(course: Course): CourseScene {
	const scene = new Scene();
	const isDark = course.light < 0.3;
	scene.background = new Color(isDark ? colours.night : colours.sky);
	scene.add(new HemisphereLight('#ffffff', '#9a938a', 0.9 + 1.6 * course.light));
	// From one side, so that walls that meet can be told apart.
	const sun = new DirectionalLight('#fff4dd', 0.4 + 1.2 * course.light);
	sun.position.set(-2, 3, 1);
	scene.add(sun);
	const { width, height } = course.size;
	const ground = new Mesh(new CircleGeometry(60, 40), paint(colours.ground));
	ground.rotation.x = -Math.PI / 2;
	ground.position.set(width / 2, course.table ? -0.7 : -0.002, -height / 2);
	scene.add(ground);
	const edge: Point[] = course.table ?? [
		[0, 0],
		[width, 0],
		[width, height],
		[0, height]
	];
	scene.add(flat(edge, colours.floor, 0));
	for (const { corners, colour } of course.patches)
		scene.add(flat(corners, floorColours[colour], 1));
	for (const tape of course.tapes)
		scene.add(ribbon(lineOf(tape), tape.width, floorColours[tape.colour], 2));
	for (const rail of course.rails) {
		const line = new RailPath(rail).line.map(({ x, y }): Point => [x, y]);
		scene.add(ribbon(line, 0.05, colours.rail, 2));
	}
	for (const wall of course.walls) {
		const { from, to, thickness } = wall;
		const tall = topOfWall(wall);
		const length = Math.hypot(to[0] - from[0], to[1] - from[1]) + thickness;
		const mesh = put(
			new BoxGeometry(length, tall, thickness),
			colours.wall,
			...([(from[0] + to[0]) / 2, tall / 2, (from[1] + to[1]) / 2] as const)
		);
		mesh.rotation.y = Math.atan2(to[1] - from[1], to[0] - from[0]);
		scene.add(mesh);
	}
	const lamps = new Map<string, Mesh[]>();
	for (const { id, at } of course.lampPosts) {
		scene.add(
			put(
				new CylinderGeometry(0.012, 0.016, postHeight),
				colours.post,
				at[0],
				postHeight / 2,
				at[1]
			)
		);
		const head = put(
			new CylinderGeometry(0.03, 0.03, 0.05),
			colours.post,
			at[0],
			postHeight,
			at[1]
		);
		lamps.set(id, [head]);
		scene.add(head);
	}
	for (const gate of course.gates) {
		const heading = headingOfBearing(gate.bearing);
		const group = new Group();
		const parts: Mesh[] = [];
		if (gate.shape === 'ring') {
			const hoop = new Mesh(new TorusGeometry(gate.width / 2, 0.015, 8, 40), paint(colours.gate));
			hoop.position.y = gate.height;
			parts.push(hoop);
		} else {
			for (const side of [-1, 1]) {
				const pole = new Mesh(new CylinderGeometry(0.015, 0.015, gate.height), paint(colours.gate));
				pole.position.set((side * gate.width) / 2, gate.height / 2, 0);
				parts.push(pole);
			}
			const beam = new Mesh(new BoxGeometry(gate.width, 0.03, 0.03), paint(colours.gate));
			beam.position.y = gate.height;
			parts.push(beam);
		}
		group.add(...parts);
		group.position.set(gate.at[0], 0, -gate.at[1]);
		group.rotation.y = heading + Math.PI / 2;
		lamps.set(gate.id, parts);
		scene.add(group);
	}
	for (const { at, radius } of course.pads) scene.add(ring(at, radius, colours.post));
	if (course.finish) scene.add(ring(course.finish.at, course.finish.radius, colours.ring));
	const crates = new Map(
		course.crates.map((crate) => {
			const tall = topOfCrate(crate);
			const box = put(
				new BoxGeometry(crate.depth, tall, crate.width),
				colours.crate,
				crate.at[0],
				tall / 2,
				crate.at[1]
			);
			box.rotation.y = headingOfBearing(crate.bearing);
			scene.add(box);
			return [crate.id, box];
		})
	);
	const [dark, bright] = [paint(colours.post), paint(colours.lit, true)];
	return {
		scene,
		update(lit, places) {
			for (const [id, parts] of lamps)
				for (const part of parts) part.material = lit.has(id) ? bright : dark;
			for (const [id, place] of places) {
				const box = crates.get(id);
				if (!box) continue;
				box.visible = place !== null;
				if (!place) continue;
				box.position.x = place.x;
				box.position.z = -place.y;
				box.rotation.y = place.heading;
			}
		}
	};
}

/** How a camera on a robot points: radians, as three.js turns. */
export const lookOf = (heading: number, pitch = 0, roll = 0) => ({
	yaw: heading - Math.PI / 2,
	pitch: -radians(pitch),
	roll: -radians(roll)
});
