/**
 * What a workbench has to do with real robots: which one is to do what the plan says, what is still
 * missing before it can, and the run in progress.
 */
import '$lib/robots/words';
import { robotKindOf } from '$core/robots/kinds';
import type { Greeting, ToRobot } from '$core/link/frames';
import { LiveRecord, type LiveNews } from '$core/live/live-news';
import type { Plan, PlanRobot } from '$core/plan/plan';
import type { Values } from '$core/steps/definition';
import type { Attempt } from '$core/simulation/attempt';
import { flying } from '$core/devices/flying/device';
import { turning } from '$core/devices/turning/device';
import { canDo } from '$core/robots/robot';
import { bearingOfHeading, headingOfBearing } from '$core/units/angles';
import { startPlaces, type StartPlace } from '$core/world/start-places';
import { say, t } from '$lib/i18n';
import { rememberRun } from '$lib/robots/held';
import { robots, type Linked } from '$lib/robots/robots.svelte';
import type { RunRequest } from '$workers/live';
import { newId } from '$lib/saving/id';
import type { Person } from '$lib/saving/answers';
import type { Sample } from '$lib/timeline/player.svelte';
import type { LiveStand } from './live-stand';
import { needsOf, type Need } from './needs';

/** Seconds after which what a robot said is old. */
const oldAfter = 0.4;

/** Of the model of a robot of the plan. */
const modelId = (id: string): string => `model-${id}`;

/** A robot of the plan, and the real one that is to do it. */
export interface Role {
	readonly wanted: PlanRobot;
	readonly robot: Greeting | undefined;
	/** Its id, if one was chosen, whether it is there or not. */
	readonly id: string | undefined;
}

export class LiveDesk {
	/** By the ids of the plan's robots: which real one does it, where somebody has chosen. */
	private chosen = $state.raw<Readonly<Record<string, string>>>({});
	/** Robots that stand on the start mark, as somebody has said, and where that was. */
	private placed = $state.raw<readonly string[]>([]);
	private linedUp = $state.raw<readonly string[]>([]);
	isRoomClear = $state(false);
	/** What is missing is shown. */
	isAsked = $state(false);
	/** The id of the one chain that is to run, once nothing is missing. */
	private wantedOnly: string | undefined;
	isChoosing = $state(false);
	/** Runs that were kept are listed. */
	isLooking = $state(false);
	/** What the robot holds is shown. */
	isStoring = $state(false);
	isDriving = $state(false);
	isBoardOpen = $state(false);
	/** What the board works with. */
	isOnModel = $state(true);
	/** The robot that is being lined up. */
	lining = $state.raw<Greeting | null>(null);
	/** Degrees: which way it went, as somebody says. */
	went = $state(0);
	isRunning = $state(false);
	/** How often somebody has halted: what a hand still holds then counts as let go. */
	halts = $state(0);
	/** The run before ended with a robot that was not heard any more. */
	wasLost = $state(false);
	/** Robots that may run although they lack something. */
	private fineWithout = $state.raw<readonly string[]>([]);
	/** What needs a hand now, in words; empty if nothing does. */
	alarm = $state('');
	/** What the robots say is old. */
	isOld = $state(false);
	private record = new LiveRecord();

	/** @param person who is here, if that is known */
	constructor(
		readonly bench: LiveStand,
		readonly person: Person | null
	) {
		robots.open(person);
		robots.onJournal = (_robot, planId, news, isLast) => {
			if (planId === bench.saver.id) this.hearStored(news, isLast);
		};
		robots.onUnkept = () => bench.voice.refuse(t('live.unkept'));
	}

	/** Which robot is to do what. */
	readonly parts: readonly Role[] = $derived.by(() => {
		const free = [...robots.paired];
		const take = (isIt: (robot: Greeting) => boolean): Greeting | undefined => {
			const index = free.findIndex(isIt);
			return index < 0 ? undefined : free.splice(index, 1)[0];
		};
		const plans = this.bench.plan.robots;
		const byChoice = plans.map(({ id }) => take((robot) => robot.id === this.chosen[id]));
		const byName = plans.map(
			({ id, kind, name }, index) =>
				byChoice[index] ??
				(this.chosen[id] ? undefined : take((robot) => robot.kind === kind && robot.name === name))
		);
		return plans.map((wanted, index) => {
			const isFree = !byName[index] && !this.chosen[wanted.id];
			// Of two alike nobody but the person knows which is which.
			const isOnly = plans.every(
				({ kind }, other) => other === index || kind !== wanted.kind || byName[other]
			);
			const robot =
				byName[index] ??
				(isFree && isOnly
					? (take(({ kind }) => kind === wanted.kind) ??
						(plans.length === 1 ? take(() => true) : undefined))
					: undefined);
			return { wanted, robot, id: robot?.id ?? this.chosen[wanted.id] };
		});
	});

	/** What is missing before it can run. */
	readonly needs: readonly Need[] = $derived.by(() =>
		needsOf(this.parts, {
			robots,
			attempt: this.bench.player.attempt,
			isPlaced: (id) => this.placed.includes(this.placeKey(id)),
			wasLost: this.wasLost,
			plan: this.bench.plan,
			isFineWithout: (id) => this.fineWithout.includes(id),
			isLinedUp: (id) => this.linedUp.includes(id),
			isRoomClear: this.isRoomClear
		})
	);

	/** The one whose figures are shown: steered by hand, or asked what it holds. */
	readonly shown = $derived.by(() =>
		this.parts.find(({ wanted }) => wanted.id === this.bench.robot.id)
	);

	/** A hand gives orders, outside of a run. */
	readonly isSteered = $derived(this.isDriving || this.lining !== null);

	/** Some robot of it flies. */
	readonly flies = $derived.by(() =>
		this.bench.plan.robots.some(({ kind }) => canDo(robotKindOf(kind), [flying]))
	);

	/** The real robot that does what one of the plan is to do. @param id of that of the plan */
	realOf(id: string): Linked | undefined {
		const robot = this.parts.find(({ wanted }) => wanted.id === id)?.robot;
		return robot && robots.links[robot.id];
	}

	/** Where a robot reckons to be that is driven by hand. @param id of that of the plan */
	drivenPose(id: string): Sample | undefined {
		const { at, sensed } = (this.isDriving && this.realOf(id)) || {};
		if (!at || !sensed) return undefined;
		const columns = Object.entries(sensed.shows).map(([name, value]) => [name, value ?? 0]);
		return { ...at, columns: Object.fromEntries(columns) };
	}

	/** Whoever changes the course has to set the robot down again. */
	private placeKey(id: string): string {
		return `${id} ${this.bench.courseId}`;
	}

	/** Shows the robots that are near. */
	choose(): void {
		this.isChoosing = true;
	}

	take(wanted: PlanRobot, robot: string): void {
		this.chosen = { ...this.chosen, [wanted.id]: robot };
	}

	/** It may run although it lacks something that the plan is for. */
	letLack(id: string): void {
		this.fineWithout = [...this.fineWithout, id];
	}

	setPlaced(id: string): void {
		this.placed = [...this.placed, this.placeKey(id)];
	}

	/** The plan is for the robot that is there. */
	makeFor({ wanted, robot }: Role): void {
		if (!robot) return;
		const { kind, name } = robot;
		const settings = robot.settings as Values;
		this.bench.setRobot({ ...wanted, kind, name, settings });
	}

	/** Runs, or says what is missing. @param only the id of the one chain to run */
	async run(only?: string): Promise<void> {
		await this.bench.arrived;
		this.wantedOnly = only;
		this.isAsked = this.needs.length > 0;
		if (!this.isAsked) await this.begin({ only });
	}

	/** Runs what was asked for before something was missing. */
	async runAsked(): Promise<void> {
		await this.run(this.wantedOnly);
	}

	/** Tells a robot that it stands on its start mark, and where its front points, radians. */
	private tellPlace(robot: Greeting, heading?: number): void {
		const { at, bearing } = this.startOf(robot);
		robots.send(robot.id, {
			type: 'lineUp',
			at: { x: at[0], y: at[1], heading: heading ?? headingOfBearing(bearing) }
		});
	}

	/** @param more how it is to run */
	private async begin(more: Partial<RunRequest> = {}): Promise<void> {
		const { bench, parts } = this;
		for (const { robot } of parts) {
			// Where nobody sees its front, it knows better than the start mark.
			const known = robots.links[robot!.id]?.at?.heading;
			this.tellPlace(robot!, robotKindOf(robot!.kind).isRound ? known : undefined);
		}
		// From now on these are the ones that are missed when they are lost.
		this.chosen = Object.fromEntries(parts.map(({ wanted, robot }) => [wanted.id, robot!.id]));
		rememberRun(bench.saver.id);
		const ids = parts.map(({ robot }) => robot!.id);
		const isThere = await this.launch(this.planned(), ids, more).catch(() => undefined);
		if (isThere) return;
		this.isRunning = false;
		bench.runs.endLive();
		this.isAsked = true;
		// Something in it makes no sense to whoever runs it.
		if (isThere === undefined) bench.voice.announce(t('live.cannotBegin'));
	}

	/** @returns false when one of the robots is not there */
	private launch(plan: Plan, ids: readonly string[], more: Partial<RunRequest>): Promise<boolean> {
		const { bench } = this;
		const { course, courseId } = bench;
		this.record = new LiveRecord();
		this.isRunning = true;
		bench.runs.beginLive();
		const run = { id: newId(), planId: bench.saver.id, courseId, at: Date.now(), plan, course };
		return robots.run({ ...run, robots: [...ids], ...more }, (news) => this.hear(news));
	}

	/** The plan, with the names and settings of the robots that do it. */
	private planned(): Plan {
		const { plan } = this.bench;
		const own = this.parts.map(({ wanted, robot }) => ({
			...wanted,
			...(robot && { name: robot.name, settings: robot.settings as Values })
		}));
		return { ...plan, robots: own };
	}

	/** A robot tells of a run that it makes, or has made, by itself. */
	private hearStored(news: LiveNews, isLast: boolean): void {
		if (news.runs[0]?.from === 0) {
			this.record = new LiveRecord();
			this.bench.runs.beginLive();
		}
		this.isRunning = !isLast;
		this.hear(news);
	}

	/** Steers the robot by hand. */
	openDrive(): void {
		const robot = this.shown?.robot;
		if (!robot) {
			this.isAsked = true;
			return;
		}
		this.tellPlace(robot);
		this.isDriving = true;
	}

	/** Shows what the robot holds. */
	openStore(): void {
		const robot = this.shown?.robot;
		if (!robot) {
			this.isAsked = true;
			return;
		}
		robots.send(robot.id, { type: 'list' });
		this.isAsked = false;
		this.isStoring = true;
	}

	/** Holds the plan on its robot. @param place from 1 */
	store(robot: string, place: number): void {
		const { bench, person } = this;
		const { courseId, course } = bench;
		const plan = this.planned();
		const owner = person?.name ?? plan.name;
		const frame = {
			type: 'store',
			place,
			planId: bench.saver.id,
			plan,
			courseId,
			course,
			owner
		} as const;
		robots.send(robot, $state.snapshot(frame) as ToRobot);
	}

	private hear(news: LiveNews): void {
		const attempt: Attempt = this.record.add(news);
		const isOver = attempt.outcome.reason.key !== 'outcome.running';
		this.isOld = !isOver && news.age > oldAfter;
		this.hearAlarm(news.alarm);
		this.bench.runs.follow(attempt, isOver);
		if (!isOver) return;
		this.isRunning = false;
		// Whoever was lost on its way does not stand on its start mark any more.
		this.wasLost = attempt.outcome.reason.key === 'outcome.lost';
		if (this.wasLost) this.placed = [];
		this.bench.voice.announce(this.bench.runs.outcome?.text ?? '');
	}

	/** Says once what needs a hand, and shows it as long as it does. */
	private hearAlarm(alarm: LiveNews['alarm']): void {
		const text = alarm ? say(alarm) : '';
		if (text && text !== this.alarm) this.bench.voice.announce(text);
		this.alarm = text;
	}

	halt(): void {
		this.halts += 1;
		robots.halt();
	}

	// --- the button board ---

	openBoard(): void {
		this.isBoardOpen = true;
	}

	/** Begins to listen to the board, on the model or on the robots. @returns whether it does */
	async beginBoard(): Promise<boolean> {
		if (this.isRunning) return true;
		if (!this.isOnModel) {
			this.isAsked = this.needs.length > 0;
			if (!this.isAsked) await this.begin({ isByHand: true });
			return this.isRunning;
		}
		const { plan, variation } = this.bench;
		const seed = Math.floor(Math.random() * 2 ** 31);
		const ids = plan.robots.map(({ id }) => modelId(id));
		return this.launch(plan, ids, { model: { variation, seed }, isByHand: true });
	}

	/** Under what an order of the board goes to a robot of the plan. @param id of that; the first, if left out */
	addressOf(id = this.bench.plan.robots[0]!.id): string | undefined {
		if (this.isOnModel) return modelId(id);
		return this.parts.find(({ wanted }) => wanted.id === id)?.robot?.id;
	}

	/** The workbench is left: nobody watches any more. */
	dispose(): void {
		if (this.isRunning) this.halt();
		robots.onJournal = () => {};
	}

	/** Lets what flies fall. */
	cut(): void {
		for (const { robot } of this.parts) {
			if (robot?.devices.includes(flying.id))
				robots.order(robot.id, { device: flying.id, name: 'cut', values: {} });
		}
		robots.halt();
	}

	// --- lining up ---

	/** Where the robot is to stand. */
	startOf(robot: Greeting): StartPlace {
		const index = this.parts.findIndex((part) => part.robot?.id === robot.id);
		return startPlaces(this.bench.course, this.parts.length)[Math.max(0, index)]!;
	}

	/** The drawing of one whose front is seen begins as it should stand; of another, nobody knows. */
	lineUp(robot: Greeting): void {
		this.setFront(this.startOf(robot).bearing);
		this.lining = robot;
	}

	/** Its front is said to point there. @param bearing degrees; anything else says nothing */
	setFront(bearing: number): void {
		if (Number.isFinite(bearing)) this.went = ((Math.round(bearing) % 360) + 360) % 360;
	}

	turnFront(degrees: number): void {
		this.setFront(this.went + degrees);
	}

	/** Somebody points to a place on the floor that its front points to, or it went towards. Metres. */
	point(x: number, y: number): void {
		if (!this.lining) return;
		const [east, north] = this.startOf(this.lining).at;
		this.setFront(bearingOfHeading(Math.atan2(y - north, x - east)));
	}

	/** It is drawn on its start mark, as a hand turns it there. @param id of the plan's robot */
	isTurnedByHand(id: string): boolean {
		const { lining, parts } = this;
		if (!lining || robotKindOf(lining.kind).isRound) return false;
		return parts.some(({ wanted, robot }) => wanted.id === id && robot?.id === lining.id);
	}

	/** Its front points the way it went; it turns to where it should point. */
	finishLining(robot: Greeting): void {
		this.tellPlace(robot, headingOfBearing(this.went));
		const { bearing: wanted } = this.startOf(robot);
		if (robot.devices.includes(turning.id))
			robots.order(robot.id, { device: turning.id, name: 'turnTo', values: { bearing: wanted } });
		this.setPlaced(robot.id);
		this.linedUp = [...this.linedUp, robot.id];
		this.lining = null;
	}
}
