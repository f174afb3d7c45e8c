/**
 * What a workbench has to do with real robots: which one is to do what the plan says, what is still
 * missing before it can, and the run in progress.
 */
import '$lib/robots/words';
import { poseOf } from '$core/link/place';
import { robotKindOf } from '$core/robots/kinds';
import type { Greeting, ToRobot } from '$core/link/frames';
import { LiveRecord, type LiveNews } from '$core/live/live-news';
import type { Plan, PlanRobot } from '$core/plan/plan';
import type { Values } from '$core/steps/definition';
import type { Attempt } from '$core/simulation/attempt';
import { flying } from '$core/devices/flying/device';
import { turning } from '$core/devices/turning/device';
import { canDo } from '$core/robots/robot';
import { startPlaces, type StartPlace } from '$core/world/start-places';
import { t } from '$lib/i18n';
import { rememberRun } from '$lib/robots/held';
import { robots, type Linked } from '$lib/robots/robots.svelte';
import type { RunRequest } from '$workers/run';
import { newId } from '$lib/saving/id';
import type { Person } from '$lib/saving/answers';
import type { Sample } from '$lib/timeline/player.svelte';
import type { LiveStand } from './live-stand';
import { BoardHand } from './board.svelte';
import { ToldByRun } from './told.svelte';
import { Lining } from './lining.svelte';
import { giveSounds } from './giving';
import { plannedFor, rolesOf, storedFrame, type Role } from './matching';
import { needsNow, type Need } from './needs';

/** What is docked under the floor. */
export type Panel = 'board' | 'drive' | 'store';

export class LiveDesk {
	/** By the ids of the plan's robots: which real one does it, where somebody has chosen. */
	private chosen = $state.raw<Readonly<Record<string, string>>>({});
	/** Robots that stand on the start mark, as somebody has said, and where that was. */
	private placed = $state.raw<readonly string[]>([]);
	/** By the ids of robots: when they were lined up, milliseconds since 1970. */
	private linedUp = $state.raw<Readonly<Record<string, number>>>({});
	isRoomClear = $state(false);
	/** What is missing is shown. */
	isAsked = $state(false);
	/** The id of the one chain that is to run, once nothing is missing. */
	private wantedOnly: string | undefined;
	isChoosing = $state(false);
	/** One at a time. */
	panel = $state<Panel | null>(null);
	readonly board = new BoardHand(this);
	readonly lining = new Lining();
	isRunning = $state(false);
	/** Its robots are being sent the sounds that they are to play. */
	private isGiving = false;
	/** How often somebody has halted: what a hand still holds then counts as let go. */
	halts = $state(0);
	/** The run before ended with a robot that was not heard any more. */
	wasLost = $state(false);
	/** Robots that may run although they lack something. */
	private fineWithout = $state.raw<readonly string[]>([]);
	/** Runs wait behind each leg until somebody goes on. */
	isByLeg = $state(false);
	readonly told: ToldByRun;
	private record = new LiveRecord();

	/** @param person who is here, if that is known */
	constructor(
		readonly bench: LiveStand,
		readonly person: Person | null
	) {
		this.told = new ToldByRun(bench.voice);
		robots.open(person);
		robots.onJournal = (_robot, planId, news, isLast) => {
			if (planId === bench.saver.id) this.hearStored(news, isLast);
		};
		robots.onUnkept = () => bench.voice.refuse(t('live.unkept'));
	}

	/** Which robot is to do what. */
	readonly roles: readonly Role[] = $derived.by(() =>
		rolesOf(this.bench.plan.robots, robots.paired, this.chosen)
	);

	/** What is missing before it can run. */
	readonly needs: readonly Need[] = $derived.by(() =>
		needsNow(this.roles, {
			robots,
			attempt: this.bench.player.attempt,
			isPlaced: (id) => this.placed.includes(this.placeKey(id)),
			wasLost: this.wasLost,
			plan: this.bench.plan,
			isFineWithout: (id) => this.fineWithout.includes(id),
			isLinedUp: (id) => id in this.linedUp,
			isRoomClear: this.isRoomClear
		})
	);

	/** The one whose figures are shown: steered by hand, or asked what it holds. */
	readonly shown = $derived.by(() =>
		this.roles.find(({ wanted }) => wanted.id === this.bench.robot.id)
	);

	/** A hand gives orders, outside of a run. */
	readonly isSteered = $derived.by(() => this.panel === 'drive' || this.lining.robot !== null);

	/** Some robot of it flies. */
	readonly flies = $derived.by(() =>
		this.bench.plan.robots.some(({ kind }) => canDo(robotKindOf(kind), [flying]))
	);

	/** The real robot that does what one of the plan is to do. @param id of that of the plan */
	realOf(id: string): Linked | undefined {
		const robot = this.roles.find(({ wanted }) => wanted.id === id)?.robot;
		return robot && robots.links[robot.id];
	}

	/** Where a robot reckons to be that is driven by hand. @param id of that of the plan */
	drivenPose(id: string): Sample | undefined {
		const { at, sensed } = (this.panel === 'drive' && this.realOf(id)) || {};
		if (!at || !sensed) return undefined;
		const columns = Object.entries(sensed.shows).map(([name, value]) => [name, value ?? 0]);
		return { ...poseOf(at), columns: Object.fromEntries(columns) };
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
		if (!this.isReady() || this.isGiving) return;
		await this.giveSounds(this.roles.flatMap(({ robot }) => robot ?? []));
		// Something may have happened meanwhile.
		if (this.isReady()) await this.begin({ only });
	}

	/** Runs what was asked for before something was missing. */
	async runAsked(): Promise<void> {
		await this.run(this.wantedOnly);
	}

	/** Sends the sounds of the plan to those that can play them. */
	private async giveSounds(to: readonly Greeting[]): Promise<void> {
		this.isGiving = true;
		try {
			await giveSounds(this.planned(), to, (text) => this.bench.voice.announce(text));
		} finally {
			this.isGiving = false;
		}
	}

	/** Tells a robot that it stands on its start mark, and where its front points, degrees. */
	private tellPlace(robot: Greeting, pointing?: number): void {
		const { at, bearing } = this.startOf(robot);
		robots.send(robot.id, {
			type: 'lineUp',
			at: { x: at[0], y: at[1], bearing: pointing ?? bearing }
		});
	}

	/** @param more how it is to run */
	async begin(more: Partial<RunRequest> = {}): Promise<void> {
		const { bench, roles } = this;
		for (const { robot } of roles) {
			// Where nobody sees its front, it knows better than the start mark.
			const known = robots.links[robot!.id]?.at?.bearing;
			this.tellPlace(robot!, robotKindOf(robot!.kind).isRound ? known : undefined);
		}
		// From now on these are the ones that are missed when they are lost.
		this.chosen = Object.fromEntries(roles.map(({ wanted, robot }) => [wanted.id, robot!.id]));
		rememberRun(bench.saver.id);
		const ids = roles.map(({ robot }) => robot!.id);
		const isThere = await this.launch(this.planned(), ids, {
			isByLeg: this.isByLeg,
			...more
		}).catch(() => undefined);
		if (isThere) return;
		this.isRunning = false;
		bench.runs.endLive();
		this.isAsked = true;
		// Something in it makes no sense to whoever runs it.
		if (isThere === undefined) bench.voice.announce(t('live.cannotBegin'));
	}

	/** Runs one move where the robot stands. @returns whether it began; else who could do it is asked for */
	async runAlone(plan: Plan): Promise<boolean> {
		const { shown } = this;
		const id = shown?.robot?.id;
		// What flies needs room, also for one move.
		const isClear = !this.flies || this.isRoomClear;
		if (!id || !isClear || this.isRunning) {
			this.isAsked = !this.isRunning;
			return false;
		}
		const [first] = plan.robots;
		const own = { ...first!, ...shown.wanted, id: first!.id };
		return this.launch({ ...plan, robots: [own] }, [id], {});
	}

	/** @returns false when one of the robots is not there */
	launch(plan: Plan, ids: readonly string[], more: Partial<RunRequest>): Promise<boolean> {
		const { bench } = this;
		const { course, courseId } = bench;
		this.record = new LiveRecord();
		this.isRunning = true;
		const run = { id: newId(), planId: bench.saver.id, courseId, at: Date.now(), plan, course };
		bench.runs.beginLive(run.id, plan);
		const times = ids.flatMap((id) => this.linedUp[id] ?? []);
		const linedUp = times.length > 0 ? Math.max(...times) : undefined;
		const request = { ...run, robots: [...ids], linedUp, ...more };
		return robots.run(request, (news) => this.hear(news));
	}

	private planned(): Plan {
		return plannedFor(this.bench.plan, this.roles);
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

	/** Shows what is missing, if anything is. @returns whether nothing is */
	isReady(): boolean {
		this.isAsked = this.needs.length > 0;
		return !this.isAsked;
	}

	/** Steers the robot by hand. */
	openDrive(): void {
		const robot = this.shown?.robot;
		if (!robot) {
			this.isAsked = true;
			return;
		}
		this.tellPlace(robot);
		this.panel = 'drive';
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
		this.panel = 'store';
	}

	/** Holds the plan on its robot. @param place from 1 */
	async store(robot: string, place: number): Promise<void> {
		const greeting = this.roles.find((role) => role.robot?.id === robot)?.robot;
		if (greeting) await this.giveSounds([greeting]);
		const frame = storedFrame(this.bench, this.planned(), place, this.person?.name);
		robots.send(robot, $state.snapshot(frame) as ToRobot);
	}

	private hear(news: LiveNews): void {
		const attempt: Attempt = this.record.add(news);
		const isOver = attempt.outcome.reason.key !== 'outcome.running';
		this.told.take(news, isOver);
		this.bench.runs.follow(attempt, isOver);
		if (!isOver) return;
		this.isRunning = false;
		// Whoever was lost on its way does not stand on its start mark any more.
		this.wasLost = attempt.outcome.reason.key === 'outcome.lost';
		if (this.wasLost) this.placed = [];
		this.bench.voice.announce(this.bench.runs.outcome?.text ?? '');
	}

	goOn(): void {
		this.told.held = null;
		robots.goOn();
	}

	/** @returns whether a robot that runs was told to */
	halt(): boolean {
		this.halts += 1;
		robots.halt();
		if (this.isRunning) this.bench.voice.announce(t('live.halting'));
		return this.isRunning;
	}

	/** The workbench is left: nobody watches any more. */
	dispose(): void {
		if (this.isRunning) this.halt();
		robots.onJournal = () => {};
	}

	/** Lets what flies fall. */
	cut(): void {
		for (const { robot } of this.roles) {
			if (robot?.devices.includes(flying.id))
				robots.order(robot.id, { device: flying.id, name: 'cut', values: {} });
		}
		robots.halt();
	}

	// --- lining up ---

	/** Where the robot is to stand. */
	startOf(robot: Greeting): StartPlace {
		const index = this.roles.findIndex((part) => part.robot?.id === robot.id);
		return startPlaces(this.bench.course, this.roles.length)[Math.max(0, index)]!;
	}

	lineUp(robot: Greeting): void {
		this.lining.begin(robot, this.startOf(robot).bearing);
	}

	/** Somebody points to a place on the floor that its front points to, or it went towards. Metres. */
	point(x: number, y: number): void {
		const { robot } = this.lining;
		if (robot) this.lining.point(this.startOf(robot).at, [x, y]);
	}

	/** It is drawn on its start mark, as a hand turns it there. @param id of the plan's robot */
	isTurnedByHand(id: string): boolean {
		const lined = this.lining.robot;
		if (!lined || robotKindOf(lined.kind).isRound) return false;
		return this.roles.some(({ wanted, robot }) => wanted.id === id && robot?.id === lined.id);
	}

	/** Its front points the way it went; it turns to where it should point. */
	finishLining(robot: Greeting): void {
		this.tellPlace(robot, this.lining.went);
		const { bearing: wanted } = this.startOf(robot);
		if (robot.devices.includes(turning.id))
			robots.order(robot.id, { device: turning.id, name: 'turnTo', values: { bearing: wanted } });
		this.setPlaced(robot.id);
		this.linedUp = { ...this.linedUp, [robot.id]: Date.now() };
		this.lining.end();
	}
}
