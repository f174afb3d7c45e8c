/** Skiff, the two-wheel car: its parts, and how they go together. */
import { battery } from '../../devices/battery/device';
import { clips } from '../../devices/clips/device';
import type { Device } from '../../devices/device';
import { lampDevice } from '../../devices/lamp/device';
import { motion } from '../../devices/motion/device';
import { motorPorts } from '../../devices/ports/device';
import type { Port } from '../../devices/port';
import { persistence } from '../../devices/persistence/device';
import { wheelsDevice } from '../../devices/wheels/device';
import { tick } from '../../time';
import { Facing, gyroPart } from '../gyro';
import { assemble, Assembled, part, type Machine, type MachinePart } from '../machine';
import { drawValues, placingOf } from '../parameter';
import type { Making } from '../robot';
import { Drive } from './drive';
import { Lamp } from '../lamp';
import { LampPanel } from '../lamp-panel';
import { countersOf, curvingOf, pacingOf, turningOf } from './odometry';
import { parameters } from './parameters';
import { Senses } from './senses';
import type { DrivePorts } from './ports';
import { Speaker, speakerPart } from '../speaker';

export class Skiff extends Assembled implements Machine {
	readonly body: Drive;
	readonly placing: readonly [number, number, number];

	private time = 0;
	private readonly facing: Facing;
	private readonly left = new Lamp();
	private readonly right = new Lamp();
	readonly grid = new LampPanel(() => this.time);
	private readonly speaker: Speaker;
	protected readonly port: Port;
	protected readonly shown: Port;

	/** @param devices that this kind has: a Skiff Lite has fewer */
	constructor(making: Making, devices: readonly Device[]) {
		super();
		const { settings: set, variation, chance, surroundings, heading } = making;
		this.speaker = new Speaker(making.played, () => this.time, devices.includes(clips));
		this.facing = new Facing(heading);
		const values = drawValues(parameters, making);
		this.placing = placingOf(values);
		this.body = new Drive(set as unknown as DrivePorts, values, chance);
		const parts = this.parts();
		const withSenses = (own: typeof chance) => {
			const senses = new Senses(variation, own, surroundings);
			const sensing = senses.parts(
				() => this.time,
				() => this.speaker.loudness
			);
			return assemble([...parts, ...sensing].filter(({ device }) => devices.includes(device)));
		};
		this.port = withSenses(making.sensorChance);
		this.shown = withSenses(making.displayChance);
	}

	private parts(): MachinePart[] {
		const { body: drive, left, right, facing } = this;
		return [
			part(wheelsDevice, { drive: (power) => drive.run(power.left, power.right) }),
			part(motion, {
				start: ({ speed }) => drive.run(speed, speed),
				stop: ({ isCoasting }) => drive.stop(isCoasting),
				stand: () => ({ isOver: () => drive.isStill })
			}),
			part(motorPorts, {
				motor: ({ port, power }) => drive.setMotor(port, power),
				use: (ports) => drive.usePorts(ports)
			}),
			pacingOf(drive),
			part(persistence, {
				giveUpAfter: ({ seconds }) => {
					drive.givesUpAfter = seconds;
				}
			}),
			countersOf(drive),
			curvingOf(drive),
			turningOf(drive, facing),
			gyroPart(() => drive.gyroAngle, facing),
			part(lampDevice, {
				shine: ({ side, colour, brightness, period }) => {
					if (side !== 'right') left.set(colour, brightness, period, this.time);
					if (side !== 'left') right.set(colour, brightness, period, this.time);
				}
			}),
			speakerPart(this.speaker),
			this.grid.part,
			part(battery, {}, { battery: () => drive.battery })
		];
	}

	// --- what is recorded of it ---

	/** As they shine now, 0xrrggbb. */
	get leftLamp(): number {
		return this.left.shownAt(this.time);
	}
	get rightLamp(): number {
		return this.right.shownAt(this.time);
	}

	get battery(): number {
		return this.body.battery;
	}
	set battery(part: number) {
		this.body.battery = part;
	}

	get isStalled(): boolean {
		return this.body.isStalled;
	}
	get isStill(): boolean {
		return this.body.isStill;
	}
	get isPlaying(): boolean {
		return this.speaker.isPlaying;
	}

	// --- one tick ---

	advance(time: number): void {
		this.time = time + tick;
		this.body.advance();
	}
	rest(): void {
		this.body.stop(false);
	}
	get believed(): number {
		return this.facing.start + this.body.gyroAngle;
	}
	lineUp(heading: number): void {
		this.facing.tell(heading, this.body.gyroAngle);
	}
}
