/**
 * Petrel, the drone. It takes off, hovers, goes in six directions as far as its own measure says, and
 * lands. A light breeze moves it, and it does not notice. On the ground it refuses to move; what it
 * runs into in the air ends the attempt.
 */
import { battery } from '../../devices/battery/device';
import { belowSensor } from '../../devices/belowSensor/device';
import { curving } from '../../devices/curving/device';
import { flying, type flyingDirections } from '../../devices/flying/device';
import { lampDevice } from '../../devices/lamp/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import { atOnce, refused, type Port, type Wait } from '../../devices/port';
import { rangefinder } from '../../devices/rangefinder/device';
import { shell } from '../../devices/shell/device';
import { thermometer } from '../../devices/thermometer/device';
import { turning } from '../../devices/turning/device';
import * as exact from '../../exact';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import { headingOfBearing, radians } from '../../units/angles';
import { gyroPart } from '../gyro';
import { Lamp } from '../lamp';
import { assemble, Assembled, part, type Machine, type MachinePart } from '../machine';
import { noises, noisyPart } from '../noise';
import { drawValues, placingOf } from '../parameter';
import type { Making } from '../robot';
import type { Airframe } from './airframe';
import { Flight, type FlipDirection, type FlightLine } from './flight';
import { parameters } from './parameters';
import * as settings from './settings';

type Direction = (typeof flyingDirections)[number];

const axes: Readonly<Record<Direction, FlightLine>> = {
	forward: { ahead: 1, left: 0, up: 0, curve: 0 },
	back: { ahead: -1, left: 0, up: 0, curve: 0 },
	left: { ahead: 0, left: 1, up: 0, curve: 0 },
	right: { ahead: 0, left: -1, up: 0, curve: 0 },
	up: { ahead: 0, left: 0, up: 1, curve: 0 },
	down: { ahead: 0, left: 0, up: -1, curve: 0 }
};

export class Drone extends Assembled implements Machine {
	readonly body: Airframe;
	readonly placing: readonly [number, number, number];
	readonly isStalled = false;
	readonly isPlaying = false;

	private time = 0;
	private readonly flight: Flight;
	private readonly lamp = new Lamp();
	private readonly surroundings: Making['surroundings'];
	protected readonly port: Port;
	protected readonly shown: Port;

	constructor(making: Making) {
		super();
		const { variation, surroundings } = making;
		const values = drawValues(parameters, making);
		this.flight = new Flight(making, values);
		this.body = this.flight.body;
		this.placing = placingOf(values);
		this.surroundings = surroundings;
		const noise = noises[variation];
		const withSenses = (own: Random) =>
			assemble([...this.parts(), ...this.senses(own, noise.part, noise.distance)]);
		this.port = withSenses(making.sensorChance);
		this.shown = withSenses(making.displayChance);
	}

	private parts(): MachinePart[] {
		const { flight, body } = this;
		let zero = 0;
		return [
			part(motion, {
				start: ({ speed }) => this.go('forward', Infinity, speed),
				stop: () => flight.letGo(),
				stand: () => ({ isOver: () => flight.isStill })
			}),
			part(
				pacing,
				{
					go: ({ distance, speed }) => this.go('forward', distance, speed),
					zero: () => {
						zero = flight.way;
					}
				},
				{ travelled: () => flight.way - zero, speed: () => exact.lengthOf(body.ahead, body.left) }
			),
			part(turning, {
				turn: ({ angle }) => flight.turn(-radians(angle)),
				turnTo: ({ bearing }) => flight.turnTo(headingOfBearing(bearing))
			}),
			part(curving, { arc: (arc) => this.arc(arc) }),
			part(lampDevice, {
				shine: ({ colour, brightness, period }) =>
					this.lamp.set(colour, brightness, period, this.time)
			}),
			part(battery, {}, { battery: () => flight.battery }),
			gyroPart(() => flight.gyroAngle, flight.facing)
		];
	}

	private senses(chance: Random, noise: number, distanceNoise: number): MachinePart[] {
		const { surroundings, flight, body } = this;
		const metres = (real: number) => Math.max(0, real + distanceNoise * chance.chance());
		const below = () => metres(Math.min(settings.range, body.altitude - surroundings.topUnder));
		return [
			part(
				shell,
				{},
				{ bumped: () => surroundings.isBumped, touched: () => surroundings.isTouched }
			),
			part(
				rangefinder,
				{},
				{
					distanceAhead: () =>
						metres(
							surroundings.distanceFrom(settings.outline[0]![0], settings.beam, settings.range)
						)
				}
			),
			part(belowSensor, {}, { distanceBelow: below }),
			part(
				flying,
				{
					takeOff: () => this.takeOff(),
					land: () => this.land(),
					go: ({ direction, distance, speed }) => this.go(direction, distance, speed),
					start: ({ direction, speed }) => this.go(direction, Infinity, speed),
					flip: ({ direction }) => this.turnOver(direction),
					cut: () => this.cut()
				},
				{
					flying: () => body.altitude > 0,
					height: () => metres(body.altitude),
					pitch: () => body.pitch,
					roll: () => body.roll,
					speedAhead: () => body.ahead,
					speedLeft: () => body.left,
					speedUp: () => body.up,
					airTime: () => flight.airTime
				}
			),
			part(thermometer, {}, { temperature: () => flight.temperature }),
			part(lightSensor, {}, { light: () => noisyPart(surroundings.light, noise, chance) })
		];
	}

	// --- orders ---

	private takeOff(): Wait {
		const { flight } = this;
		if (flight.phase !== 'ground') return refused('inTheAir');
		return flight.isEmpty ? refused('flatBattery') : flight.enter('takingOff');
	}

	private land(): Wait {
		const { flight } = this;
		const isUp = flight.phase === 'air' || flight.phase === 'takingOff';
		return isUp ? flight.enter('landing') : { isOver: () => flight.phase !== 'landing' };
	}

	private cut(): Wait {
		return this.flight.phase === 'ground' ? atOnce : this.flight.enter('falling');
	}

	private turnOver(direction: FlipDirection): Wait {
		const { flight, body } = this;
		const { refusal } = flight;
		if (refusal) return refused(refusal);
		if (flight.battery < settings.flipBattery) return refused('flipBattery');
		if (body.altitude < settings.flipHeight) return refused('flipTooLow');
		return flight.turnOver(direction);
	}

	/** @param distance metres @param speed a part of the top speed; less than 0 goes the other way */
	private go(direction: Direction, distance: number, speed: number): Wait {
		return this.flight.follow(axes[direction], distance, speed);
	}

	private arc({
		direction,
		radius,
		angle,
		speed
	}: {
		direction: 'left' | 'right';
		radius: number;
		angle: number;
		speed: number;
	}): Wait {
		const side = direction === 'left' ? 1 : -1;
		const way = radians(angle);
		if (Math.abs(radius) < settings.leastRadius) return this.flight.turn(side * way);
		return this.flight.follow({ ...axes.forward, curve: side / radius }, radius * way, speed);
	}

	rest(): void {
		this.flight.letGo();
	}

	halt(): void {
		this.flight.halt();
	}

	lineUp(heading: number): void {
		this.flight.lineUp(heading);
	}

	// --- what is known of it ---

	get battery(): number {
		return this.flight.battery;
	}
	set battery(part: number) {
		this.flight.battery = part;
	}

	get believed(): number {
		return this.flight.believed;
	}

	get isStill(): boolean {
		return this.flight.isStill;
	}

	get shownLamp(): number {
		return this.lamp.shownAt(this.time);
	}

	advance(time: number): void {
		this.time = time + tick;
		this.flight.advance();
	}
}
