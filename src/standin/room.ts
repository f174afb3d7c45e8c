/** A course in the yard, with the robots that stand on it; they can run into each other. */
import type { Course } from '../core/course/course';
import type { Variation } from '../core/robots/robot';
import type { CrewMember } from '../core/simulation/crew-member';
import { Stage } from '../core/simulation/stage';
import { Random, seedOfText } from '../core/random/random';
import { modelOf } from '../core/robots/models';
import { drawValues, type ParameterValues } from '../core/robots/parameter';
import { radians } from '../core/units/angles';
import { Terrain } from '../core/world/scene';
import { startPlaces, type StartPlace } from '../core/world/start-places';
import type { Hand, StandIn } from './stand-in';

export class Room {
	private readonly stage: Stage;
	private readonly robots = new Map<string, StandIn>();
	/** By the ids of robots. */
	private readonly characters: Record<string, ParameterValues> = {};

	constructor(
		readonly id: string,
		readonly course: Course,
		private readonly variation: Variation,
		private readonly seed: number
	) {
		const terrain = new Terrain(course);
		const touches = (robot: string) => this.robots.get(robot)!.touches;
		this.stage = new Stage({
			...{ terrain, starts: [], robots: [], variation, seed, touches },
			parameters: this.characters
		});
		this.stage.begin();
	}

	/** The first place on which no other robot stands: start marks come first. */
	placeFor(robot: string): StartPlace {
		const others = this.stage.crew.filter(({ id }) => id !== robot);
		const places = startPlaces(this.course, others.length + 1);
		const poses = others.map(({ pose }) => pose);
		const isFree = ({ at: [x, y] }: StartPlace) =>
			poses.every((pose) => Math.hypot(pose.x - x, pose.y - y) > 0.2);
		return places.find(isFree) ?? places.at(-1)!;
	}

	/** @returns what the robot is made of from now on */
	setDown(robot: StandIn, place: StartPlace): CrewMember {
		this.robots.set(robot.id, robot);
		const { id, settings, name } = robot;
		this.characters[id] = characterOf(robot.kind.kind, name, this.variation, this.seed);
		return this.stage.setDown({ id, kind: robot.kind.kind, name, settings }, place);
	}

	takeAway(id: string): void {
		this.robots.delete(id);
		this.stage.takeAway(id);
	}

	turn(member: CrewMember, degrees: number): void {
		member.pose.heading -= radians(degrees);
	}

	/** Seconds since the room was opened. */
	get time(): number {
		return this.stage.time;
	}

	get litPosts(): readonly string[] {
		return this.stage.place.litPosts.map(({ id }) => id);
	}

	/** One tick. */
	advance(): void {
		const kept = [...this.robots.values()].filter(({ hand }) => hand !== undefined);
		const before = kept.map(({ member }) => ({ ...member.pose }));
		this.stage.advance();
		kept.forEach(({ member, hand }, index) => keep(member, hand!, before[index]!));
		for (const robot of this.robots.values()) robot.ticked(this.stage.time);
	}
}

/**
 * What a robot of the yard is like: another one than a rehearsal makes of its name, as a real one is; and
 * on this day. What is of a run is drawn when it is set down.
 * @param day seed
 */
function characterOf(
	kind: string,
	name: string,
	variation: Variation,
	day: number
): ParameterValues {
	const { parameters } = modelOf(kind);
	const chance = new Random(seedOfText(`${name} on ${day}`));
	const drawn = drawValues(parameters, { name: `${name} of the yard`, variation, chance });
	return Object.fromEntries(
		Object.entries(drawn).filter(([key]) => ['robot', 'day'].includes(parameters[key]!.of))
	);
}

/** A hand that lifts a robot lets its wheels run; one that holds it stops them. */
function keep({ pose, machine }: CrewMember, hand: Hand, before: CrewMember['pose']): void {
	Object.assign(pose, before);
	if (hand === 'held') machine.body.settle({ ahead: 0, left: 0, turning: 0 }, 'wall');
}
