/** Robots at the other end of a link in virtual time, for tests: late, now and then later, in order. */
import { fromRobotSchema, toRobotSchema, type FromRobot, type ToRobot } from '../link/frames';
import { LinkPort } from '../link/link-port';
import { Served } from '../link/served';
import { Random } from '../random/random';
import type { Linking } from '../simulation/simulate';
import type { Stage } from '../simulation/stage';

export interface Wire {
	/** Seconds. */
	readonly latency: number;
	readonly jitter: number;
	/** Part of the frames that have to be sent again. */
	readonly loss: number;
	readonly seed: number;
	/** Seconds since Run from which on nothing arrives any more. */
	readonly cutAt?: number;
}

export const perfect: Wire = { latency: 0, jitter: 0, loss: 0, seed: 1 };

/** Seconds until a frame that was lost is sent again. */
const again = 0.2;

/** One way of a wire: what comes later never overtakes. */
class Way<Frame> {
	private readonly queue: { readonly at: number; readonly frame: Frame }[] = [];
	private last = 0;

	constructor(
		private readonly wire: Wire,
		private readonly chance: Random,
		private readonly arrived: (frame: Frame) => void
	) {}

	send(frame: Frame, time: number): void {
		const { latency, jitter, loss } = this.wire;
		if (latency + jitter + loss === 0) return this.arrive(frame, time);
		const lost = this.chance.between(0, 1) < loss ? again : 0;
		const at = time + latency + this.chance.between(0, jitter) + lost;
		this.last = Math.max(this.last, at);
		this.queue.push({ at: this.last, frame });
	}

	deliver(time: number): void {
		while (this.queue.length > 0 && this.queue[0]!.at <= time)
			this.arrive(this.queue.shift()!.frame, time);
	}

	private arrive(frame: Frame, time: number): void {
		if (time < (this.wire.cutAt ?? Infinity)) this.arrived(frame);
	}
}

/** @returns what `simulate` takes as its link; each frame is written as text and parsed on the way */
export const through =
	(wire: Wire) =>
	({ crew }: Stage): Linking => {
		let now = 0;
		const chance = new Random(wire.seed);
		const lines = crew.map(({ machine, kind, happened }) => {
			const port = new LinkPort(kind.devices, (frame) => there.send(frame, now));
			const served = new Served(machine, kind, happened, (frame) => back.send(frame, now));
			const there = new Way<ToRobot>(wire, chance, (frame) =>
				served.receive(toRobotSchema.parse(JSON.parse(JSON.stringify(frame))))
			);
			const back = new Way<FromRobot>(wire, chance, (frame) =>
				port.receive(fromRobotSchema.parse(JSON.parse(JSON.stringify(frame))))
			);
			return { port, served, there, back };
		});
		return {
			ends: lines.map(({ port }) => ({ port, happened: port.happened })),
			deliver(time) {
				now = time;
				for (const { port, served, there, back } of lines) {
					port.stay();
					there.deliver(time);
					served.report(time);
					back.deliver(time);
				}
			}
		};
	};
