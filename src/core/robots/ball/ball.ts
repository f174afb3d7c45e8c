/**
 * Bobbin, the ball. It rolls along the bearing that it is told, as it knows bearings: by its gyro,
 * from where it was lined up. How far it has come it only estimates. Walls it does not know: it
 * feels jolts, and takes some for what they are not.
 */
import { accelerometer } from '../../devices/accelerometer/device';
import { battery } from '../../devices/battery/device';
import { dropSensor } from '../../devices/dropSensor/device';
import { lampDevice } from '../../devices/lamp/device';
import { lightSensor } from '../../devices/lightSensor/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import type { Port, Wait } from '../../devices/port';
import { reckoning } from '../../devices/reckoning/device';
import { rolling } from '../../devices/rolling/device';
import { shell as feel } from '../../devices/shell/device';
import { tiltSensor } from '../../devices/tiltSensor/device';
import { turning } from '../../devices/turning/device';
import type { Surface } from '../../course/surfaces';
import * as exact from '../../exact';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import { headingOfBearing, radians, wrapAngle } from '../../units/angles';
import { LampPanel } from '../lamp-panel';
import { Facing, gyroPart } from '../gyro';
import { Lamp } from '../lamp';
import { assemble, Assembled, part, type Machine, type MachinePart } from '../machine';
import { noises, noisyPart } from '../noise';
import { brakingFor, paceOf } from '../pace';
import { drawValues, placingOf } from '../parameter';
import type { Making } from '../robot';
import { parameters, type BallValues } from './parameters';
import * as settings from './settings';
import { Shell } from './shell';

/** What moves it: on and on, so far and then still, so far and then on, or nothing. */
interface Stretch extends Wait {
	/** m/s, as told. */
	readonly speed: number;
	/** Metres by its own estimate; Infinity for on and on. */
	left: number;
	readonly isEndingStill: boolean;
	isDone: boolean;
}

/** What becomes of the speed that is left. */
type Ending = 'brake' | 'coast';

export class Ball extends Assembled implements Machine {
	readonly body: Shell;
	readonly placing: readonly [number, number, number];
	/** It never knows that it is held. */
	readonly isStalled = false;
	readonly isPlaying = false;

	private time = 0;
	/** 1 full, 0 empty. */
	battery: number;
	private readonly lamp = new Lamp();
	readonly grid = new LampPanel(() => this.time);
	private readonly own: BallValues;
	private readonly chance: Random;
	private readonly surroundings: Making['surroundings'];
	private readonly felt: Making['felt'];
	protected readonly port: Port;
	protected readonly shown: Port;

	/** Where its front is to point, radians, as it knows directions. */
	private aim: number;
	/** The angle that its gyro has counted since Run, radians. */
	private gyroAngle = 0;
	private readonly facing: Facing;
	private stretch: Stretch | undefined;
	private ending: Ending = 'brake';
	/** What it makes of this stretch's way, for each metre. */
	private measure: number;
	/** By its own estimate, metres. */
	private way = 0;
	private readonly place = { x: 0, y: 0 };
	/** In g. */
	private jolt = 0;
	private lastBump = -Infinity;

	constructor(making: Making) {
		super();
		const { variation, chance, surroundings, heading, felt } = making;
		this.own = drawValues(parameters, making);
		this.battery = this.own.battery;
		this.placing = placingOf(this.own);
		this.chance = chance;
		this.surroundings = surroundings;
		this.felt = felt;
		this.facing = new Facing(heading);
		this.aim = heading;
		this.measure = this.own.estimateGain;
		this.body = new Shell(heading + this.placing[2], this.own.lag);
		const noise = noises[variation];
		const withSenses = (own: Random) =>
			assemble([...this.parts(), ...this.senses(own, noise.part, noise.tilt)]);
		this.port = withSenses(making.sensorChance);
		this.shown = withSenses(making.displayChance);
	}

	private parts(): MachinePart[] {
		let zero = 0;
		return [
			part(motion, {
				start: ({ speed }) => void this.roll(Infinity, speed, true),
				stop: ({ isCoasting }) => this.stop(isCoasting ? 'coast' : 'brake'),
				stand: () => ({ isOver: () => this.isStill })
			}),
			part(
				pacing,
				{
					go: ({ distance, speed }) => this.roll(distance, speed, true),
					zero: () => {
						zero = this.way;
					}
				},
				{ travelled: () => this.way - zero, speed: () => this.body.speed }
			),
			part(turning, {
				turn: ({ angle }) => this.turn(-radians(angle)),
				turnTo: ({ bearing }) => this.turn(this.angleTo(bearing))
			}),
			part(rolling, {
				roll: ({ bearing, speed }) => {
					this.turn(this.angleTo(bearing));
					this.roll(Infinity, speed, true);
				},
				rollFar: ({ bearing, distance, speed, isEndingStill }) => {
					this.turn(this.angleTo(bearing));
					return this.roll(distance, speed, isEndingStill);
				}
			}),
			part(lampDevice, {
				shine: ({ colour, brightness, period }) =>
					this.lamp.set(colour, brightness, period, this.time)
			}),
			this.grid.part,
			part(battery, {}, { battery: () => this.battery }),
			gyroPart(() => this.gyroAngle, this.facing)
		];
	}

	private senses(chance: Random, noise: number, tilt: number): MachinePart[] {
		const { surroundings, place } = this;
		return [
			part(
				feel,
				{},
				{
					bumped: () => this.time - this.lastBump <= settings.bumpHold,
					touched: () => surroundings.isTouched
				}
			),
			part(accelerometer, {}, { jolt: () => this.jolt }),
			part(tiltSensor, {}, { tilt: () => tilt * chance.chance() }),
			part(dropSensor, {}, { falling: () => surroundings.isEdgeUnder(0) }),
			part(reckoning, {}, { reckonedEast: () => place.x, reckonedNorth: () => place.y }),
			part(lightSensor, {}, { light: () => noisyPart(surroundings.light, noise, chance) })
		];
	}

	// --- orders ---

	/** Where its front points, as it knows directions, radians. */
	get believed(): number {
		return this.facing.start + this.gyroAngle;
	}

	private angleTo(bearing: number): number {
		return wrapAngle(headingOfBearing(bearing) - this.aim);
	}

	/** What is inside turns; what rolls goes on in the new direction. */
	private turn(angle: number): Wait {
		this.aim += angle;
		const { aim } = this;
		return { isOver: () => this.aim !== aim || this.isAimed };
	}

	private get isAimed(): boolean {
		return Math.abs(this.aim - this.believed) < settings.arrivedAngle;
	}

	/** @param distance metres @param speed a part of the top speed; less than 0 rolls the other way */
	private roll(distance: number, speed: number, isEndingStill: boolean): Wait {
		this.letGo();
		const stretch: Stretch = {
			speed: paceOf(settings, distance, speed),
			left: Math.abs(distance),
			isEndingStill,
			isDone: false,
			isOver: () => stretch.isDone
		};
		this.measure = this.own.estimateGain * (1 + this.own.slip * this.chance.chance());
		this.stretch = stretch;
		return stretch;
	}

	private letGo(): void {
		if (this.stretch) this.stretch.isDone = true;
		this.stretch = undefined;
	}

	private stop(ending: Ending): void {
		this.letGo();
		this.ending = ending;
	}

	rest(): void {
		this.stop('brake');
	}

	lineUp(heading: number): void {
		this.facing.tell(heading, this.gyroAngle);
		this.aim = heading;
	}

	get isStill(): boolean {
		return !this.stretch && this.body.speed < settings.stillSpeed && this.isAimed;
	}

	get shownLamp(): number {
		return this.lamp.shownAt(this.time);
	}

	// --- one tick ---

	advance(time: number): void {
		const { surface } = this.surroundings;
		this.estimate();
		this.feelJolts(surface);
		this.time = time + tick;
		if (this.stretch) this.pursue(this.stretch);
		const { body, stretch } = this;
		const power = stretch ? Math.min(1, Math.abs(stretch.speed) / settings.topSpeed) : 0;
		this.battery -= tick * (settings.idleDrain + settings.driveDrain * power);
		if (this.battery < 0) this.battery = 0;
		if (!stretch) body.slow(this.ending === 'brake' ? surface.grip : surface.drag);
		else if (this.isSlowingDown(stretch))
			body.slow(brakingFor(stretch.left, body.speed, surface.grip));
		else this.push(stretch.speed, surface);
		if (this.own.wobble > 0) body.veer(this.own.wobble * this.chance.chance());
		const off = this.aim - this.believed;
		body.turning = Math.max(-settings.turnRate, Math.min(settings.turnRate, off / tick));
	}

	private push(speed: number, surface: Surface): void {
		const { body, own } = this;
		const { flatBatteryFactor, topSpeed } = own;
		const top = topSpeed * (flatBatteryFactor + (1 - flatBatteryFactor) * this.battery);
		const wanted = Math.min(top, Math.abs(speed)) * own.speedGain;
		// It rolls where it believes its aim to be: how wrong its gyro is, the shell cannot know.
		const heading = this.aim + body.heading - this.believed + (speed < 0 ? Math.PI : 0);
		body.drive(heading, wanted, surface);
	}

	/** A stretch that is to end still brakes in time, as it estimates. */
	private isSlowingDown({ left, isEndingStill }: Stretch): boolean {
		const { speed } = this.body;
		return isEndingStill && left < (speed * speed) / (2 * settings.gentle);
	}

	/** Ends the stretch when it has come so far, and stands, if it is to. */
	private pursue(stretch: Stretch): void {
		const { left, isEndingStill } = stretch;
		const isStanding = this.body.speed < settings.stillSpeed;
		// Nearly there and standing, it would never come any further.
		const isThere = left <= (isStanding ? settings.nearlyThere : 0);
		if (!isThere || (isEndingStill && !isStanding)) return;
		stretch.isDone = true;
		this.ending = 'brake';
		this.stretch = isEndingStill ? undefined : { ...stretch, left: Infinity };
	}

	/** What it makes of the tick that has passed. */
	private estimate(): void {
		const { body, own, stretch } = this;
		this.gyroAngle += body.turning * tick * own.gyroGain + own.gyroBias * tick;
		const slipping = body.isTouching && stretch ? Math.abs(stretch.speed) : 0;
		const rolled = Math.max(body.speed, slipping * settings.slipCounted) * this.measure * tick;
		this.way += rolled;
		if (stretch) stretch.left -= rolled;
		const direction = this.aim + (stretch && stretch.speed < 0 ? Math.PI : 0);
		this.place.x += rolled * exact.cos(direction);
		this.place.y += rolled * exact.sin(direction);
	}

	private feelJolts({ grip, roughness }: Surface): void {
		const { body, own, chance, time } = this;
		const knock = body.knocked / tick / settings.gravity;
		let felt = knock + body.cornering / settings.gravity;
		if (own.falseJolts > 0) {
			const isHardCorner = body.cornering > 0.8 * grip;
			const odds =
				(isHardCorner ? settings.falseJolt.corner : 0) +
				settings.falseJolt.rough * roughness * body.speed;
			if (chance.between(0, 1) < odds * own.falseJolts) felt += settings.bumpJolt;
		}
		this.jolt = Math.max(felt, this.jolt * (1 - tick / settings.joltDecay));
		if (felt < settings.bumpJolt) return;
		if (time - this.lastBump > settings.bumpPause) this.felt('bump');
		this.lastBump = time;
	}
}
