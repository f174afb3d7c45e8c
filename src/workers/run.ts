/** A run in progress: the model or real robots, in the time of this computer. */
import { z } from 'zod';
import { courseSchema } from '../core/course/course';
import type { LinkPort } from '../core/link/link-port';
import type { LiveNews } from '../core/live/live-news';
import { LiveRun } from '../core/live/live-run';
import { ModelCrew } from '../core/live/model-crew';
import { planSchema } from '../core/plan/plan';
import { variations } from '../core/robots/robot';
import { NewsWriter } from './kept';

/** Milliseconds between two ticks of a run: 50 a second. */
const tickEvery = 20;
/** Milliseconds between two words about a run in which no step begins or ends. */
const newsEvery = 66;
export const runSchema = z.strictObject({
	/** Under which it is kept. */
	id: z.string(),
	/** The id of the plan's document. */
	planId: z.string(),
	courseId: z.string().nullable(),
	at: z.number(),
	plan: planSchema,
	course: courseSchema,
	/** The robots at the other ends, in the order of the plan's. */
	robots: z.array(z.string()),
	only: z.string().optional(),
	/** The model in the place of robots, as it misbehaves. */
	model: z.strictObject({ variation: z.enum(variations), seed: z.int() }).optional(),
	isByHand: z.boolean().optional(),
	/** It waits behind each leg until somebody goes on. */
	isByLeg: z.boolean().optional(),
	/** When robots whose front is hidden were lined up, milliseconds since 1970. */
	linedUp: z.number().optional()
});
export type RunRequest = z.infer<typeof runSchema>;

/** What a run needs from whoever began it. */
interface RunHands {
	/** The robot's end of a fresh line. @param port of the model in its place, if it is that which runs */
	portFor(robot: string, port: LinkPort | undefined): LinkPort;
	news(news: LiveNews): void;
	/** This device does not keep it. */
	unkept(): void;
	over(): void;
}

export class RunInProgress {
	private readonly began = performance.now();
	private readonly live: LiveRun;
	private timer: ReturnType<typeof setInterval> | undefined;
	private readonly kept: NewsWriter;
	private toldAt = 0;
	private toldChanges = -1;
	private passed = 0;
	private readonly model: ModelCrew | undefined;
	readonly robots: readonly string[];

	constructor(
		private readonly request: RunRequest,
		private readonly hands: RunHands
	) {
		this.robots = request.robots;
		this.kept = new NewsWriter(request.id, hands.unkept);
		const { plan, course, robots, model, only, isByHand, isByLeg, linedUp } = request;
		this.model = model && new ModelCrew(plan, course, model.variation, model.seed);
		const ports = robots.map((robot, index) => hands.portFor(robot, this.model?.ports[index]));
		const isModel = model !== undefined;
		const how = { only, isByHand, isModel, isByLeg, linedUp };
		this.live = new LiveRun({ plan, course, ports, ...how, chance: Math.random });
	}

	begin(): void {
		this.timer = setInterval(() => this.tick(), tickEvery);
		this.tick();
	}

	private get time(): number {
		return (performance.now() - this.began) / 1000;
	}

	tick(): void {
		const { time } = this;
		this.model?.pass(time - this.passed);
		this.passed = time;
		this.live.tick(time);
		this.tell();
	}

	press(chain: string): void {
		this.live.press(chain);
		this.tick();
	}
	hear(word: string): void {
		this.live.hear(word);
		this.tick();
	}
	set(variable: string, value: number): void {
		this.live.set(variable, value);
	}

	goOn(): void {
		this.live.goOn();
		this.tick();
	}

	halt(): void {
		this.live.halt();
		this.tell();
	}

	/** Nobody watches it any more. */
	leave(): void {
		this.live.leave();
		this.tell();
	}

	lost(robot: string): void {
		const index = this.robots.indexOf(robot);
		if (index < 0) return;
		this.live.lost(this.request.plan.robots[index]!.name);
		this.tell();
	}

	private tell(): void {
		const { live } = this;
		const now = performance.now();
		const isOver = live.outcome !== undefined;
		const hasChanged = live.changes !== this.toldChanges;
		if (!isOver && !hasChanged && now - this.toldAt < newsEvery) return;
		this.toldAt = now;
		this.toldChanges = live.changes;
		const news = live.news();
		this.hands.news(news);
		if (!this.model) this.kept.add(news, isOver);
		if (isOver) this.close();
	}

	private close(): void {
		clearInterval(this.timer);
		this.hands.over();
	}
}
