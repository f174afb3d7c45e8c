/**
 * How the drone flies: what it does as a whole, the moves it is told, and what it makes of them tick
 * by tick. Who gives it orders is in `drone`.
 */
import { type flipDirections, takeOffHeight } from '../../devices/flying/device';
import { refused, type Wait } from '../../devices/port';
import * as exact from '../../exact';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import { wrapAngle } from '../../units/angles';
import { Facing } from '../gyro';
import { paceOf } from '../pace';
import type { Making } from '../robot';
import { Airframe, coasting } from './airframe';
import type { DroneValues } from './parameters';
import * as settings from './settings';

/** What it does as a whole. */
export type Phase = 'ground' | 'takingOff' | 'air' | 'flipping' | 'landing' | 'falling';

export type FlipDirection = (typeof flipDirections)[number];

/** Where it goes: parts of its speed ahead, left and up, and radians of turning for a metre of way. */
export interface FlightLine {
	readonly ahead: number;
	readonly left: number;
	readonly up: number;
	readonly curve: number;
}

/** What moves it: so far and then still, or on and on. */
interface Move extends Wait, FlightLine {
	/** m/s, as told; less than 0 the other way. */
	readonly speed: number;
	/** Metres by its own measure; Infinity for on and on. */
	remaining: number;
	/** Radians of an arc that its aim has not been taken along yet. */
	toTurn: number;
	isDone: boolean;
}

const wanderKept = exact.exp(-tick / settings.wanderTime);
const wanderNew = Math.sqrt(1 - wanderKept * wanderKept);
const warmed = 1 - exact.exp(-tick / settings.warmth.lag);

export class Flight {
	readonly body: Airframe;
	phase: Phase = 'ground';
	/** Seconds since this phase began, and in the air since Run. */
	private phaseTime = 0;
	airTime = 0;
	/** 1 full, 0 empty. */
	battery: number;
	temperature = settings.warmth.room;
	/** Metres that its feet can rise before it hits the ceiling. */
	private readonly highest: number;
	private readonly chance: Random;
	private readonly failed: Making['failed'];

	/** Where its front is to point, radians, as it knows directions. */
	private aim: number;
	/** The angle that its gyro has counted since Run, radians. */
	gyroAngle = 0;
	readonly facing: Facing;
	private move: Move | undefined;
	/** The way that a counted move has come to its end, and it still floats the last of it. */
	private isFloating = false;
	private flip: FlipDirection = 'forward';
	/** By its own measure, metres over the floor. */
	way = 0;

	constructor(
		{ heading, chance, failed, surroundings, settings: set }: Making,
		private readonly own: DroneValues
	) {
		this.battery = own.battery * settings.chargeOf(set);
		this.chance = chance;
		this.failed = failed;
		this.highest = surroundings.ceiling - settings.tall;
		this.facing = new Facing(heading);
		this.aim = heading;
		this.body = new Airframe(heading + own.setTurned, own.lag);
	}

	/** Why it would not move now, if it would not. */
	get refusal(): string | undefined {
		if (this.phase === 'air') return undefined;
		if (this.phase !== 'ground') return 'notYet';
		return this.isEmpty ? 'flatBattery' : 'onGround';
	}

	/** So little is left that it lands, and does not take off. */
	get isEmpty(): boolean {
		return this.battery <= settings.lastBattery;
	}

	/** Begins another phase. @returns while it is in it */
	enter(phase: Phase): Wait {
		this.letGo();
		this.phase = phase;
		this.phaseTime = 0;
		return { isOver: () => this.phase !== phase };
	}

	turnOver(direction: FlipDirection): Wait {
		this.flip = direction;
		return this.enter('flipping');
	}

	turn(angle: number): Wait {
		if (this.refusal) return refused(this.refusal);
		this.aim += angle;
		const { aim } = this;
		return { isOver: () => this.aim !== aim || this.isAimed || this.phase !== 'air' };
	}

	turnTo(heading: number): Wait {
		return this.turn(wrapAngle(heading - this.aim));
	}

	/** @param distance metres @param speed a part of the top speed; less than 0 goes the other way */
	follow(line: FlightLine, distance: number, speed: number): Wait {
		if (this.refusal) return refused(this.refusal);
		const floating = this.isFloating ? this.speedAlong(line) * coasting : 0;
		this.letGo();
		const pace = paceOf(settings, distance, speed);
		const way = Math.abs(distance);
		// What it still floats belongs to the way before: it flies that as well, and turns only for its own.
		const remaining = way + Math.sign(pace) * floating * this.own.measure;
		// Never narrower than told: where what it floats takes it back, it turns the rest at the end.
		const curve = line.curve === 0 ? 0 : (line.curve * way) / Math.max(way, remaining);
		// Along a narrow curve it is only as fast as it can turn.
		const most = settings.turnRate / Math.abs(line.curve);
		const move: Move = {
			...line,
			curve,
			speed: Math.max(-most, Math.min(most, pace)),
			remaining,
			toTurn: line.curve === 0 ? 0 : Math.sign(pace) * way * line.curve,
			isDone: false,
			isOver: () => move.isDone
		};
		this.move = move;
		return move;
	}

	/** m/s */
	private speedAlong({ ahead, left, up }: FlightLine): number {
		const { body } = this;
		return body.ahead * ahead + body.left * left + body.up * up;
	}

	letGo(): void {
		if (this.move) this.move.isDone = true;
		this.move = undefined;
		this.isFloating = false;
	}

	/** Its way is flown but for what it floats; of an arc, the last is turned while it does. */
	private arrive({ toTurn }: Move): void {
		this.aim += toTurn;
		this.letGo();
		this.isFloating = true;
	}

	/** In the middle of a take-off it hovers where it is, or stays on the ground. */
	halt(): void {
		this.letGo();
		if (this.phase === 'takingOff') this.enter(this.body.altitude > 0 ? 'air' : 'ground');
	}

	lineUp(heading: number): void {
		this.facing.tell(heading, this.gyroAngle);
		this.aim = heading;
	}

	// --- what is known of it ---

	get believed(): number {
		return this.facing.start + this.gyroAngle;
	}

	private get isAimed(): boolean {
		return Math.abs(this.aim - this.believed) < settings.arrivedAngle;
	}

	get isStill(): boolean {
		if (this.phase === 'ground') return true;
		if (this.phase !== 'air' || this.move) return false;
		return this.body.speed < settings.stillSpeed && this.isAimed;
	}

	// --- one tick ---

	advance(): void {
		this.estimate();
		this.phaseTime += tick;
		if (this.phase === 'ground') this.use(settings.idleDrain);
		else this.fly();
		const { body } = this;
		if (body.hit) this.failed(body.isSinking ? 'cameDown' : 'crashed');
		if (body.altitude >= this.highest) this.failed('hitCeiling');
	}

	private use(drain: number): void {
		this.battery = Math.max(0, this.battery - tick * drain);
		const { room, flying } = settings.warmth;
		const goal = this.phase === 'ground' ? room : room + flying;
		this.temperature += (goal - this.temperature) * warmed;
	}

	private fly(): void {
		const { body, phase } = this;
		this.use(settings.flightDrain);
		if (phase !== 'takingOff' || this.phaseTime > settings.spinUp) this.airTime += tick;
		this.drift();
		if (phase === 'takingOff') this.climb();
		else if (phase === 'air') this.pursue();
		else if (phase === 'flipping') this.tumble();
		else if (phase === 'landing') body.follow(0, 0, -this.sinking);
		else body.fall();
		this.hold();
		this.touchDown(body.rise());
		if (this.phase === 'air' && this.isEmpty) this.enter('landing');
	}

	private climb(): void {
		const { body, phaseTime } = this;
		if (phaseTime <= settings.spinUp) return;
		const isNearlyUp = takeOffHeight - body.altitude <= body.up * settings.lag;
		body.follow(0, 0, isNearlyUp ? 0 : this.own.climb);
		if (isNearlyUp && body.up < settings.stillSpeed) this.enter('air');
	}

	/** m/s downwards: close to the floor its own wind bears it. Source: Cheeseman and Bennett, R&M 3021 (1957). */
	private get sinking(): number {
		const { sink, cushion } = this.own;
		const near =
			settings.rotorRadius / (4 * Math.max(settings.rotorRadius / 2, this.body.altitude));
		return sink * Math.max(1 - cushion, 1 - 4 * near * near);
	}

	private pursue(): void {
		const { body, move } = this;
		if (!move) return body.follow(0, 0, 0);
		const { measure, flatBatteryFactor, topSpeed } = this.own;
		const top = topSpeed * (flatBatteryFactor + (1 - flatBatteryFactor) * this.battery);
		const forwards = Math.sign(move.speed);
		const told = Math.min(top, Math.abs(move.speed));
		const ending = body.endingSpeed(forwards * this.speedAlong(move), move.remaining / measure);
		const speed = forwards * Math.min(told, ending);
		body.follow(move.ahead * speed, move.left * speed, move.up * speed);
		move.remaining -= forwards * this.speedAlong(move) * measure * tick;
		const isTurned = move.remaining * Math.abs(move.curve) < settings.nearlyTurned;
		if (ending < told && isTurned && body.speed < settings.stillSpeed) this.arrive(move);
	}

	private tumble(): void {
		const { body, flip, own } = this;
		const part = Math.min(1, this.phaseTime / settings.flipTime);
		body.follow(0, 0, 0);
		// It sags on the way and comes back: half a wave.
		body.up = (-Math.PI * settings.flipSag * exact.sin(2 * Math.PI * part)) / settings.flipTime;
		const turned = 360 * part * (flip === 'forward' || flip === 'right' ? 1 : -1);
		if (flip === 'forward' || flip === 'back') body.pitch = turned;
		else body.roll = turned;
		if (part < 1) return;
		body.ahead += own.flipPush * this.chance.chance();
		body.left += own.flipPush * this.chance.chance();
		body.up = body.pitch = body.roll = 0;
		this.enter('air');
	}

	/** Turns towards its aim; an arc takes its aim along. */
	private hold(): void {
		const { body, move, phase } = this;
		if (phase === 'falling') {
			body.turning = 0;
			return;
		}
		const curving = move && phase === 'air' ? body.ahead * move.curve : 0;
		this.aim += curving * tick;
		if (move) move.toTurn -= curving * tick;
		const off = (this.aim - this.believed - curving * tick) / settings.turnLag;
		body.turning = curving + Math.max(-settings.turnRate, Math.min(settings.turnRate, off));
	}

	/** @param speed with which it came to the floor, m/s; 0 while it is above */
	private touchDown(speed: number): void {
		if (this.body.altitude > 0 || this.phase === 'takingOff') return;
		if (speed > settings.hardLanding) this.failed('dropped');
		this.body.stand();
		this.aim = this.believed;
		this.enter('ground');
	}

	private drift(): void {
		const { body, own, chance } = this;
		const { air } = body;
		const { wander, breezeEast: east, breezeNorth: north } = own;
		if (wander === 0 && east === 0 && north === 0) return;
		const push = wander * wanderNew;
		air.east = east + (air.east - east) * wanderKept + push * chance.chance();
		air.north = north + (air.north - north) * wanderKept + push * chance.chance();
	}

	/** What it makes of the tick that has passed. */
	private estimate(): void {
		const { body, own } = this;
		this.gyroAngle += body.turning * tick * own.gyroGain + own.gyroBias * tick;
		this.way += exact.lengthOf(body.ahead, body.left) * own.measure * tick;
	}
}
