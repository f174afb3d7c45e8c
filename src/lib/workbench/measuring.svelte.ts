/** One move of a robot is measured by itself: run alone, and told what the tape or the protractor says. */
import { isOfTurn, measuredMoves, speedLineOf } from '$core/fitting/line';
import type { Measure, MeasuredKind, SpeedLine } from '$core/fitting/line';
import { figureIn, kindsFor, planOfMeasure } from '$core/fitting/measure';
import { moveFloor } from '$core/fitting/moves';
import type { Plan, PlanRobot } from '$core/plan/plan';
import { robotKindOf } from '$core/robots/kinds';
import type { Rehearsal } from '$core/simulation/simulate';
import type { Attempt } from '$core/simulation/attempt';
import { knownRobots } from '$lib/robots/known.svelte';
import { tryOut } from '$lib/desk/rehearser';
import type { Workbench } from './workbench.svelte';

export type MeasuringBench = Pick<Workbench, 'robot' | 'variation' | 'parameters' | 'player'> & {
	openLive(): Promise<{ runAlone(plan: Plan): Promise<boolean> }>;
};

export class Measuring {
	private chosen = $state<MeasuredKind | null>(null);
	/** A part of the top speed. */
	speed = $state(0.5);
	private told = $state<number | null>(null);
	/** What a rehearsal makes of it, metres or degrees; null before. */
	rehearsed = $state<number | null>(null);
	/** Metres or degrees that a hand has measured. */
	value = $state<number | null>(null);

	readonly kinds: readonly MeasuredKind[] = $derived.by(() => kindsFor(this.bench.robot));
	readonly kind: MeasuredKind = $derived.by(
		() => this.kinds.find((each) => each === this.chosen) ?? this.kinds[0]!
	);
	/** Metres, seconds or degrees that are told. */
	readonly amount = $derived(this.told ?? measuredMoves[this.kind].usual);
	readonly measures: readonly Measure[] = $derived.by(() =>
		knownRobots.measuresOf(this.bench.robot)
	);
	readonly lines: readonly { readonly ofTurn: boolean; readonly line: SpeedLine }[] = $derived.by(
		() =>
			[false, true].flatMap((ofTurn) => {
				const line = speedLineOf(this.measures, ofTurn);
				return line ? [{ ofTurn, line }] : [];
			})
	);

	constructor(
		private readonly bench: MeasuringBench,
		private readonly rehearse: (of: Rehearsal) => Promise<Attempt | null> = tryOut
	) {}

	get isOfTurn(): boolean {
		return isOfTurn({ kind: this.kind });
	}
	get hasSpeed(): boolean {
		return measuredMoves[this.kind].hasSpeed;
	}

	choose(kind: MeasuredKind): void {
		this.chosen = kind;
		this.told = this.value = this.rehearsed = null;
	}
	tell(amount: number): void {
		if (amount > 0) this.told = amount;
	}

	private get move() {
		const { kind, speed, amount, hasSpeed } = this;
		return { kind, speed: hasSpeed ? speed : null, amount };
	}

	private planFor(robot: PlanRobot): Plan {
		return planOfMeasure({ ...robot, id: 'robot1' }, this.move);
	}

	/** What it is likely to do. */
	async foresee(): Promise<void> {
		const { robot, variation, parameters } = this.bench;
		const known = parameters?.[robot.id];
		const attempt = await this.rehearse({
			plan: this.planFor(robot),
			course: moveFloor(robotKindOf(robot.kind).isOnRail === true),
			variation,
			seed: 1,
			...(known && { parameters: { robot1: known } })
		});
		this.rehearsed = attempt && figureIn(attempt, this.kind);
	}

	/** Where the robot stands. */
	async run(): Promise<void> {
		const live = await this.bench.openLive();
		await live.runAlone(this.planFor(this.bench.robot));
	}

	/** Keeps what was measured. @returns whether it was */
	note(): boolean {
		const { value, bench } = this;
		if (value === null || !(value >= 0)) return false;
		const { attempt, run } = bench.player;
		const [battery] = (attempt?.source.type === 'run' && run?.trace.columns.battery) || [];
		const own = { ...this.move, value, battery: battery ?? null, at: Date.now() };
		knownRobots.setMeasures(bench.robot, [...this.measures, own]);
		this.value = null;
		return true;
	}

	remove(measure: Measure): void {
		const others = this.measures.filter((each) => each !== measure);
		knownRobots.setMeasures(this.bench.robot, others);
	}
}
