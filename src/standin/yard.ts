/** A yard: courses to stand on, the robots on them, and what hands can do there. */
import { z } from 'zod';
import { colourCode } from '../core/colours';
import type { Course } from '../core/course/course';
import { identifierSchema, textSchema } from '../core/document';
import type { Tokens } from '../core/link/door';
import { storePlaces } from '../core/link/frames';
import { readFace } from '../core/pictures/face';
import { readPicture } from '../core/pictures/picture';
import type { Variation } from '../core/robots/robot';
import { bearingOfHeading } from '../core/units/angles';
import { ownNamed } from '../core/sounds/clip';
import { tickRate } from '../core/time';
import { patience } from '../core/link/served';
import type { RosterRow } from './roster';
import { Room } from './room';
import { StandIn } from './stand-in';

/** Courses that hands may lay beside those that are there. */
export const mostLaid = 20;

/**
 * Ticks that are made up for when the machine was busy; more are left out. Half of what a robot is patient
 * for: what it was told meanwhile is read only after them.
 */
const mostTicks = (tickRate * patience) / 2;

const robot = identifierSchema;
/** What hands do with a robot. */
const simple = [
	...(['switchOn', 'switchOff', 'wake', 'charge', 'unplug', 'takeFar', 'bringBack'] as const),
	...(['hold', 'lift', 'letGo', 'update', 'sendAway'] as const)
] as const;
export const handSchema = z.discriminatedUnion('do', [
	z.strictObject({ do: z.enum(simple), robot }),
	z.strictObject({
		do: z.literal('carry'),
		robot,
		to: identifierSchema.describe('A course.'),
		/** Degrees clockwise by which it is set down wrong. */
		turned: z.number().optional()
	}),
	z.strictObject({ do: z.literal('push'), robot, place: z.int().min(1).max(storePlaces) }),
	z.strictObject({ do: z.literal('say'), robot, word: textSchema(40, 1) }),
	z.strictObject({ do: z.literal('turn'), robot, degrees: z.number().min(-360).max(360) })
]);
export type Deed = z.infer<typeof handSchema>;

export interface Places {
	readonly id: string;
	readonly course: Course;
}

interface Opening {
	readonly places: readonly Places[];
	readonly robots: readonly RosterRow[];
	readonly variation: Variation;
	/** What day it is. */
	readonly seed: number;
	/** What a robot knows people by. */
	readonly tokens: (robot: string) => Tokens;
	/** Uniform in [0, 1). */
	readonly chance: () => number;
	/** Told when somebody gives a robot another name. */
	readonly onName?: (robot: string, name: string) => void;
}

export class Yard {
	readonly robots: ReadonlyMap<string, StandIn>;
	private readonly rooms = new Map<string, Room>();
	private readonly places: Places[];
	/** Ticks that are still to be made. */
	private due = 0;

	constructor(private readonly opening: Opening) {
		const { robots, tokens, chance, places } = opening;
		this.places = [...places];
		this.robots = new Map(
			robots.map((listed) => {
				const room = this.room(listed.course ?? places[0]!.id);
				const named = (name: string) => opening.onName?.(listed.id, name);
				const made = new StandIn(listed, room, tokens(listed.id), chance, named);
				return [listed.id, made];
			})
		);
	}

	private room(id: string): Room {
		const known = this.rooms.get(id);
		if (known) return known;
		const { variation, seed } = this.opening;
		const place = this.places.find((one) => one.id === id) ?? this.places[0]!;
		const made = new Room(place.id, place.course, variation, seed);
		this.rooms.set(place.id, made);
		return made;
	}

	/** @param seconds that have passed */
	pass(seconds: number): void {
		this.due = Math.min(mostTicks, this.due + seconds * tickRate);
		for (; this.due >= 1; this.due -= 1) for (const room of this.rooms.values()) room.advance();
	}

	/** @returns where robots can be carried from now on; undefined if no more have room */
	lay(course: Course): Places | undefined {
		const laid = this.places.length - this.opening.places.length;
		if (laid >= mostLaid) return undefined;
		const place = { id: `laid-${laid + 1}`, course };
		this.places.push(place);
		return place;
	}

	/** @returns whether there is such a robot */
	act(deed: Deed): boolean {
		const one = this.robots.get(deed.robot);
		if (!one) return false;
		if (deed.do === 'carry') {
			one.carry(this.room(deed.to));
			if (deed.turned) one.room.turn(one.member, deed.turned);
		} else if (deed.do === 'push') one.touch(deed.place);
		else if (deed.do === 'say') one.hear(deed.word);
		else if (deed.do === 'turn') one.room.turn(one.member, deed.degrees);
		else deeds[deed.do](one);
		return true;
	}

	/** The file of a sound that one of its robots holds. */
	wavOf(clip: string): Uint8Array | undefined {
		for (const { end } of this.robots.values()) {
			const wav = end.clips.wavOf(clip);
			if (wav) return wav;
		}
		return undefined;
	}

	/** What somebody sees who stands there. */
	get sight() {
		return {
			places: this.places.map(({ id, course }) => ({ id, name: course.name })),
			rooms: [...this.rooms.values()].map(({ id, course, litPosts }) => ({ id, course, litPosts })),
			robots: [...this.robots.values()].map((one) => {
				const { id, name, power, isFar, isCharging, hand, battery, fault, member, firmware } = one;
				const { pose, machine, kind } = member;
				const { guest, signs } = one.end.door;
				return {
					holds: one.store.list,
					...{ id, name, power, isFar, isCharging, hand, battery, fault, firmware },
					kind: kind.kind,
					room: one.room.id,
					at: [pose.x, pose.y],
					bearing: bearingOfHeading(pose.heading),
					heading: pose.heading,
					columns: Object.fromEntries(kind.columns.map(({ name, of }) => [name, of(machine)])),
					lamps: lampsOf(machine.grid?.picture ?? ''),
					with: guest?.person.name,
					signs,
					sounds: soundOf(one),
					light: one.signLight,
					hasEars: kind.devices.some((device) => device.id === 'ears'),
					hasScreen: kind.devices.some((device) => device.id === 'screen')
				};
			})
		};
	}
}

/** Eight by eight of a lamp grid, sixteen by sixteen of a face that was drawn for it. */
function lampsOf(picture: string): readonly string[] | undefined {
	const face = picture.includes(':') ? readFace(picture) : null;
	const lamps = face?.lamps.map((lamp) => lamp || face.skin) ?? readPicture(picture);
	return lamps?.map(colourCode);
}

/** What is heard of it: when it began, so that each sound is heard once, and what it is. */
function soundOf({ member, room }: StandIn) {
	const sound = member.journal.soundingAt(room.time);
	if (!sound || (sound.pitch <= 0 && sound.text === undefined)) return undefined;
	return { ...sound, ...(sound.clip !== undefined && { name: ownNamed(sound.clip) ?? '' }) };
}

const deeds: Readonly<Record<(typeof simple)[number], (robot: StandIn) => void>> = {
	switchOn: (robot) => robot.switchOn(),
	switchOff: (robot) => robot.switchOff(),
	wake: (robot) => robot.wake(),
	charge: (robot) => (robot.isCharging = true),
	unplug: (robot) => (robot.isCharging = false),
	takeFar(robot) {
		robot.isFar = true;
		robot.end.dropAll();
	},
	bringBack: (robot) => (robot.isFar = false),
	hold: (robot) => (robot.hand = 'held'),
	lift: (robot) => (robot.hand = 'lifted'),
	letGo: (robot) => (robot.hand = undefined),
	update: (robot) => robot.update(),
	sendAway: (robot) => robot.end.door.leave()
};
