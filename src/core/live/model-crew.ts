/**
 * The model, driven as robots are: it stands at the other end of a link, in real time, so that hands
 * can drive it and press the buttons of a board. It tells where it really is.
 */
import type { Course } from '../course/course';
import { LinkPort } from '../link/link-port';
import { Served } from '../link/served';
import type { Plan } from '../plan/plan';
import type { Variation } from '../robots/robot';
import { Stage } from '../simulation/stage';
import { tickRate } from '../time';
import { Terrain } from '../world/scene';
import { startPlaces } from '../world/start-places';

/** Ticks from one row of what it senses to the next: 40 a second. */
const senseTicks = 3;
/** Ticks that are made up for when the machine was busy; more are left out. */
const mostTicks = 60;

export class ModelCrew {
	/** In the order of the plan's robots. */
	readonly ports: readonly LinkPort[];
	private readonly stage: Stage;
	private readonly served: readonly Served[];
	private due = 0;

	constructor({ robots }: Plan, course: Course, variation: Variation, seed: number) {
		this.stage = new Stage({
			terrain: new Terrain(course),
			starts: startPlaces(course, robots.length),
			robots,
			variation,
			seed
		});
		this.stage.begin();
		const ends = this.stage.crew.map(({ machine, kind, happened, pose }) => {
			const port: LinkPort = new LinkPort(kind.devices, (frame) => served.receive(frame));
			const served: Served = new Served(
				machine,
				kind,
				happened,
				(frame) => port.receive(frame),
				pose
			);
			served.report(0);
			port.start();
			return { port, served };
		});
		this.ports = ends.map(({ port }) => port);
		this.served = ends.map(({ served }) => served);
	}

	/** @param seconds that have passed */
	pass(seconds: number): void {
		const { stage, served } = this;
		this.due = Math.min(mostTicks, this.due + seconds * tickRate);
		for (; this.due >= 1; this.due -= 1) {
			stage.advance();
			const isSensing = stage.tickNumber % senseTicks === 0;
			served.forEach((each, index) => {
				each.report(stage.time, isSensing);
				this.ports[index]!.fault ??= stage.crew[index]!.fault;
			});
		}
	}
}
