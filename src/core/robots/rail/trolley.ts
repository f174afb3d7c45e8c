/**
 * Trolley, the rail car. It goes where its rail goes, and is heavy: it is long in coming to its speed,
 * and long in rolling out. An end stop stops it with a jolt; too fast in a curve, it derails.
 */
import { floorColours } from '../../colours';
import { accelerometer } from '../../devices/accelerometer/device';
import { battery } from '../../devices/battery/device';
import { hornDevice } from '../../devices/horn/device';
import { lampDevice } from '../../devices/lamp/device';
import { markSensor } from '../../devices/markSensor/device';
import { motion } from '../../devices/motion/device';
import { pacing } from '../../devices/pacing/device';
import { persistence } from '../../devices/persistence/device';
import { refused, type Port, type Wait } from '../../devices/port';
import { rangefinder } from '../../devices/rangefinder/device';
import { shell } from '../../devices/shell/device';
import * as exact from '../../exact';
import type { Random } from '../../random/random';
import { tick } from '../../time';
import { facingOf, railReach } from '../../course/rails';
import { wrapAngle } from '../../units/angles';
import { Lamp } from '../lamp';
import { assemble, Assembled, part, type Machine, type MachinePart } from '../machine';
import { noises } from '../noise';
import { brakingFor, paceOf } from '../pace';
import { drawValues } from '../parameter';
import type { Making } from '../robot';
import { Speaker } from '../speaker';
import { Car, withinEnds, type OnRail } from './car';
import { parameters, type RailValues } from './parameters';
import * as settings from './settings';

/** What moves it: on and on, or so far and then still. */
interface Stretch extends Wait {
	/** m/s */
	readonly speed: number;
	/** Metres by its counter; Infinity for on and on. */
	left: number;
	isDone: boolean;
	refusal?: string;
}

export class Trolley extends Assembled implements Machine {
	readonly body: Car;
	readonly placing: readonly [number, number, number];
	private readonly failed: Making['failed'];
	/** 1 full, 0 empty. */
	battery: number;

	private time = 0;
	private readonly on: OnRail | undefined;
	private readonly hasCounter: boolean;
	private readonly front = new Lamp();
	private readonly back = new Lamp();
	private readonly speaker: Speaker;
	private readonly chance: Random;
	private readonly own: RailValues;
	protected readonly port: Port;
	protected readonly shown: Port;

	private stretch: Stretch | undefined;
	/** Seconds for which it has not got on, in a stretch that has an end. */
	private held = 0;
	/** Seconds of that after which it gives the stretch up; 0 for never. */
	private patience = 0;
	private isCoasting = false;
	/** Metres by its counter, of this stretch for each metre. */
	private measure = 1;
	private way = 0;
	/** In g. */
	private jolt = 0;

	constructor(making: Making) {
		super();
		const { variation, chance, surroundings, heading, settings: set, met } = making;
		this.own = drawValues(parameters, making);
		this.failed = making.failed;
		this.battery = this.own.battery;
		this.chance = chance;
		this.hasCounter = set.counter !== 'missing';
		const rail = surroundings.railNear(railReach);
		this.on = rail && {
			path: rail.path,
			way: withinEnds(rail, rail.way),
			facing: facingOf(rail, heading)
		};
		this.placing = this.on ? ontoRail(this.on, surroundings.place, heading) : [0, 0, 0];
		this.body = new Car(this.on, this.own, () => met('stop'));
		this.speaker = new Speaker(making.played, () => this.time);
		const noise = noises[variation].distance;
		const withSenses = (own: Random) =>
			assemble([...this.parts(), ...this.senses(making, own, noise)]);
		this.port = withSenses(making.sensorChance);
		this.shown = withSenses(making.displayChance);
	}

	private parts(): MachinePart[] {
		let zero = 0;
		return [
			part(motion, {
				start: ({ speed }) => this.go(Infinity, speed),
				stop: ({ isCoasting }) => this.stop(isCoasting),
				stand: () => ({ isOver: () => this.isStill })
			}),
			part(
				pacing,
				{
					go: ({ distance, speed }) =>
						this.hasCounter ? this.go(distance, speed) : refused('noCounter'),
					zero: () => {
						zero = this.way;
					}
				},
				{
					travelled: () => (this.hasCounter ? this.way - zero : NaN),
					speed: () => (this.hasCounter ? this.body.speed : NaN)
				}
			),
			part(persistence, {
				giveUpAfter: ({ seconds }) => {
					this.patience = seconds;
				}
			}),
			part(lampDevice, {
				shine: ({ side, colour, brightness, period }) => {
					if (side !== 'back') this.front.set(colour, brightness, period, this.time);
					if (side !== 'front') this.back.set(colour, brightness, period, this.time);
				}
			}),
			part(hornDevice, {
				sound: ({ duration }) => {
					this.speaker.volume = settings.loudness;
					return this.speaker.play([{ pitch: settings.hornPitch, length: duration }]);
				}
			}),
			part(battery, {}, { battery: () => this.battery })
		];
	}

	private senses({ surroundings }: Making, chance: Random, noise: number): MachinePart[] {
		const ahead = () =>
			surroundings.distanceFrom(settings.outline[0]![0], settings.beam, settings.range);
		return [
			part(
				rangefinder,
				{},
				{ distanceAhead: () => Math.max(0, ahead() + noise * chance.chance()) }
			),
			part(markSensor, {}, { markColour: () => this.markColour }),
			part(
				shell,
				{},
				{ bumped: () => surroundings.isBumped, touched: () => surroundings.isTouched }
			),
			part(accelerometer, {}, { jolt: () => this.joltNow })
		];
	}

	private get markColour(): string {
		const { on } = this;
		const mark = on?.path.marks.find(({ at }) => {
			const away = Math.abs(at - on.way) % on.path.length;
			const nearer = on.path.isClosed ? Math.min(away, on.path.length - away) : away;
			return nearer <= settings.markLength / 2;
		});
		return floorColours[mark?.colour ?? 'white'];
	}

	// --- orders ---

	/** @param distance metres @param speed a part of the top speed; less than 0 goes back */
	private go(distance: number, speed: number): Wait {
		if (!this.on) return refused('noRail');
		this.letGo();
		const stretch: Stretch = {
			speed: paceOf(settings, distance, speed),
			left: Math.abs(distance),
			isDone: false,
			// Against an end stop it would never come any further.
			isOver: () => stretch.isDone || (distance !== Infinity && this.body.isStopped)
		};
		this.measure = this.own.countGain * (1 + this.own.slip * this.chance.chance());
		this.stretch = stretch;
		return stretch;
	}

	private letGo(): void {
		if (this.stretch) this.stretch.isDone = true;
		this.stretch = undefined;
		this.held = 0;
	}

	private giveUp(stretch: Stretch): void {
		stretch.refusal = 'gaveUp';
		this.stop(false);
	}

	private stop(isCoasting: boolean): void {
		this.letGo();
		this.isCoasting = isCoasting;
	}

	rest(): void {
		this.stop(false);
	}

	get isStalled(): boolean {
		return this.patience === 0 && this.held >= settings.stallTime;
	}
	get isStill(): boolean {
		const isMoved = this.stretch && this.stretch.speed !== 0 && !this.body.isStopped;
		return !isMoved && Math.abs(this.body.speed) < settings.stillSpeed;
	}
	get isPlaying(): boolean {
		return this.speaker.isPlaying;
	}
	get frontLamp(): number {
		return this.front.shownAt(this.time);
	}
	get backLamp(): number {
		return this.back.shownAt(this.time);
	}

	// --- one tick ---

	advance(time: number): void {
		this.count();
		this.feel();
		this.time = time + tick;
		const { stretch, body, own } = this;
		const power = stretch ? Math.abs(stretch.speed) / settings.topSpeed : 0;
		this.battery -= tick * (settings.idleDrain + settings.driveDrain * power);
		if (this.battery < 0) this.battery = 0;
		if (!stretch) body.slow(this.isCoasting ? own.drag : own.brake);
		else if (body.speed * body.speed >= 2 * settings.gentle * stretch.left)
			body.slow(brakingFor(stretch.left, body.speed, own.brake));
		else this.push(stretch.speed);
	}

	private push(speed: number): void {
		const { flatBatteryFactor, topSpeed, motorGain } = this.own;
		const top = topSpeed * (flatBatteryFactor + (1 - flatBatteryFactor) * this.battery);
		this.body.drive(Math.max(-top, Math.min(top, speed)) * motorGain);
	}

	/** What it has come in the tick that has passed. */
	private count(): void {
		const { body, stretch } = this;
		const rolled = body.speed * this.measure * tick;
		this.way += rolled;
		if (!stretch) return;
		stretch.left -= Math.abs(rolled);
		const isStanding = Math.abs(body.speed) < settings.stillSpeed;
		this.held = isStanding && stretch.left < Infinity ? this.held + tick : 0;
		if (this.patience > 0 && this.held >= this.patience) return this.giveUp(stretch);
		if (stretch.left <= (isStanding ? settings.nearlyThere : 0) && isStanding) this.stop(false);
	}

	/** What it feels of this tick, and still of those before. */
	private get joltNow(): number {
		return Math.max(this.jolt, this.body.knocked / tick / settings.gravity);
	}

	/** Jolts die away; a curve that it is too fast for throws it off. */
	private feel(): void {
		const { speed, curvature } = this.body;
		this.jolt = this.joltNow * (1 - tick / settings.joltDecay);
		if (curvature === 0) return;
		if (Math.abs(speed) > settings.curveSpeed(1 / curvature) * (1 - this.own.joints))
			this.failed('derailed');
	}
}

/** How a hand sets it on the rail from where it stands: metres ahead and left, and radians. */
function ontoRail(
	{ path, way, facing }: OnRail,
	from: { readonly x: number; readonly y: number },
	heading: number
): readonly [number, number, number] {
	const { x, y, heading: along } = path.at(way);
	const [cos, sin] = [exact.cos(heading), exact.sin(heading)];
	const [dx, dy] = [x - from.x, y - from.y];
	const front = facing === 1 ? along : along + Math.PI;
	return [dx * cos + dy * sin, dy * cos - dx * sin, wrapAngle(front - heading)];
}
