/**
 * Where a robot reckons to be since it was lined up: by its own counting, and where it counts
 * nothing, by what it was told to do. Walls, slip and wear it knows nothing of.
 */
import type { Device } from '../devices/device';
import { flying } from '../devices/flying/device';
import { pacing } from '../devices/pacing/device';
import { reckoning } from '../devices/reckoning/device';
import * as exact from '../exact';
import type { Machine } from '../robots/machine';
import { TwoWheels } from '../robots/two-wheels';
import { tick } from '../time';
import type { Pose } from '../world/pose';

export class Reckoner {
	readonly pose: Pose = { x: 0, y: 0, heading: 0 };
	/** What its own estimate said a tick ago. */
	private readonly before = { x: 0, y: 0 };

	constructor(
		private readonly machine: Machine,
		private readonly devices: readonly Device[]
	) {}

	/** Somebody says where it stands. */
	lineUp(pose: Readonly<Pose>): void {
		Object.assign(this.pose, pose);
		this.machine.lineUp?.(pose.heading);
		if (this.devices.includes(reckoning)) this.estimate();
	}

	/** After a tick. */
	advance(): void {
		const { machine, devices, pose } = this;
		const told = machine.body instanceof TwoWheels ? machine.body.told : undefined;
		pose.heading = machine.believed ?? pose.heading + (told?.turning ?? 0) * tick;
		if (devices.includes(reckoning)) return this.goEstimated();
		const speed = devices.includes(flying) ? this.number('speedAhead') : this.speed(told?.speed);
		const left = devices.includes(flying) ? this.number('speedLeft') : 0;
		const [cos, sin] = [exact.cos(pose.heading), exact.sin(pose.heading)];
		pose.x += (speed * cos - left * sin) * tick;
		pose.y += (speed * sin + left * cos) * tick;
	}

	private speed(told = 0): number {
		return this.devices.includes(pacing) ? this.number('speed') : told;
	}

	private number(reading: string): number {
		const value = Number(this.machine.read(reading));
		return Number.isFinite(value) ? value : 0;
	}

	private goEstimated(): void {
		const { x, y } = this.before;
		this.estimate();
		this.pose.x += this.before.x - x;
		this.pose.y += this.before.y - y;
	}

	private estimate(): void {
		this.before.x = this.number('reckonedEast');
		this.before.y = this.number('reckonedNorth');
	}
}
