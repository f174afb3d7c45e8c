/**
 * Peg, the rover with a pin board. A pin is on or off, and does what is wired to it. The moves by time
 * switch pins 1 to 4, whatever is wired there: a board wired the other way round drives the other way
 * round. It refuses to switch both directions of one wheel on, as that would short its motor driver.
 */
import { battery } from '../../devices/battery/device';
import { motion } from '../../devices/motion/device';
import { pinNumbers, pins, type PinNumber } from '../../devices/pins/device';
import { refused, type Port, type Wait } from '../../devices/port';
import { shell } from '../../devices/shell/device';
import { wheelsDevice } from '../../devices/wheels/device';
import { assemble, Assembled, part, type Machine } from '../machine';
import { drawValues, placingOf } from '../parameter';
import type { Making } from '../robot';
import { TwoWheels } from '../two-wheels';
import { parameters } from './parameters';
import * as settings from './settings';

/** The pins that moves switch: forward and back, of each wheel. */
const leftPins = { forward: '1', back: '2' } as const;
const rightPins = { forward: '3', back: '4' } as const;

class Body extends TwoWheels {
	sense(): void {
		this.count();
	}
}

export class Pinboard extends Assembled implements Machine {
	readonly body: Body;
	readonly placing: readonly [number, number, number];
	readonly isStalled = false;
	private readonly on = new Set<PinNumber>();
	private readonly wired: Readonly<Record<PinNumber, settings.Wiring>>;
	protected readonly port: Port;
	/** No sensor of it has noise. */
	protected get shown(): Port {
		return this.port;
	}

	constructor(private readonly making: Making) {
		super();
		const { chance, settings: set } = making;
		const values = drawValues(parameters, making);
		this.placing = placingOf(values);
		this.body = new Body(settings.chassis, values, chance);
		this.wired = Object.fromEntries(
			pinNumbers.map((pin) => [pin, String(set[`pin${pin}`])])
		) as Record<PinNumber, settings.Wiring>;
		this.port = assemble(this.parts());
	}

	private parts() {
		const { body } = this;
		const readings = Object.fromEntries(
			pinNumbers.map((pin) => [`pin${pin}`, () => this.isHigh(pin)])
		);
		return [
			part(
				pins,
				{
					set: ({ pins, isOn }) => this.set(pins, isOn),
					clear: () => this.set([...this.on], false)
				},
				readings
			),
			part(motion, {
				start: ({ speed }) => this.drive(speed, speed),
				stop: ({ isCoasting }) => {
					this.drive(0, 0);
					body.isCoasting = isCoasting;
				},
				stand: () => ({ isOver: () => this.isStanding })
			}),
			part(wheelsDevice, { drive: ({ left, right }) => this.drive(left, right) }),
			part(
				shell,
				{},
				{
					bumped: () => this.making.surroundings.isBumped,
					touched: () => this.making.surroundings.isTouched
				}
			),
			part(battery, {}, { battery: () => body.battery })
		];
	}

	private isHigh(pin: PinNumber): boolean {
		return this.wired[pin] === 'button' ? this.making.surroundings.isTouched : this.on.has(pin);
	}

	private isOn(wiring: settings.Wiring): boolean {
		return pinNumbers.some((pin) => this.wired[pin] === wiring && this.on.has(pin));
	}

	/** Motors know on and off alone: any power is the whole of it. */
	private drive(left: number, right: number): Wait | void {
		const all: PinNumber[] = ['1', '2', '3', '4'];
		this.set(all, false);
		const wanted: PinNumber[] = [];
		if (left !== 0) wanted.push(left > 0 ? leftPins.forward : leftPins.back);
		if (right !== 0) wanted.push(right > 0 ? rightPins.forward : rightPins.back);
		return this.set(wanted, true);
	}

	private set(pins: readonly PinNumber[], isOn: boolean): Wait | void {
		const before = [...this.on];
		for (const pin of pins) {
			if (!isOn) this.on.delete(pin);
			else if (this.wired[pin] !== 'button') this.on.add(pin);
		}
		const isShort = settings.opposites.some(([one, other]) => this.isOn(one) && this.isOn(other));
		if (isShort) {
			this.on.clear();
			for (const pin of before) this.on.add(pin);
			return refused('bothDirections');
		}
		this.take(before);
	}

	/** Motors and buzzer do what the pins say. */
	private take(before: readonly PinNumber[]): void {
		const { body, making } = this;
		const { topSpeed } = settings.chassis;
		const speed = (forward: settings.Wiring, back: settings.Wiring): number =>
			this.isOn(forward) ? topSpeed : this.isOn(back) ? -topSpeed : 0;
		body.left.command = speed('leftForward', 'leftBack');
		body.right.command = speed('rightForward', 'rightBack');
		body.isCoasting = false;
		const wasBuzzing = before.some((pin) => this.wired[pin] === 'buzzer');
		if (this.isOn('buzzer') === wasBuzzing) return;
		const { pitch, volume } = settings.buzzer;
		making.played(wasBuzzing ? [] : [{ pitch, length: 3600 }], volume);
	}

	/** 0xrrggbb of the small light beside a pin; 0 while it is off. */
	lightOf(pin: PinNumber): number {
		if (!this.isHigh(pin)) return 0;
		return settings.lamps[this.wired[pin]] ?? settings.pinLight;
	}

	private get isStanding(): boolean {
		return !this.body.isCommanded && !this.body.isRolling;
	}
	/** A buzzer that is on is switched off when all is over. */
	get battery(): number {
		return this.body.battery;
	}
	set battery(part: number) {
		this.body.battery = part;
	}

	get isStill(): boolean {
		return this.isStanding && !this.isOn('buzzer');
	}
	readonly isPlaying = false;

	advance(): void {
		this.body.turnWheels();
	}
	rest(): void {
		this.drive(0, 0);
		this.set(
			pinNumbers.filter((pin) => this.wired[pin] === 'buzzer'),
			false
		);
	}
}
