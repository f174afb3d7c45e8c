/** What a robot is like, found out from where hands have marked it: looked at, used, kept and forgotten. */
import { proxy, wrap } from 'comlink';
import type { ListedAttempt } from '$core/attempts/kept';
import type { Fitting } from '$core/fitting/fit';
import { runOf } from '$core/fitting/measure';
import { markedRunOf, type MarkedRun } from '$core/fitting/marked-run';
import { robotModel, robotModelFormat } from '$core/fitting/robot-model';
import { valuesOf } from '$core/fitting/values-of';
import { readDocument } from '$core/document';
import { helpersOffIn } from '$core/helpers';
import type { PlanRobot } from '$core/plan/plan';
import type { ParameterValues } from '$core/robots/parameter';
import type { Variation } from '$core/robots/robot';
import { keeper } from '$lib/attempts/keeper';
import { downloadDocument } from '$lib/files/downloads';
import { textOfFile } from '$lib/files/files';
import { say, t } from '$lib/i18n';
import { knownRobots, type KnownRobot } from '$lib/robots/known.svelte';
import type { FitService, Foretelling, FoundOut } from '$workers/fit';
import type { Stand } from '$lib/desk/stand';
import type { TrialPool } from '$lib/desk/trial-pool';
import { ModelWays } from './model-ways.svelte';

/** Who finds out; it can be ended in the midst of it. */
export interface Finder {
	find(fitting: Fitting, of: Foretelling, onProgress: (part: number) => void): Promise<FoundOut>;
	/** What robots of a kind are like on average. */
	usual(kind: string, variation: Variation): Promise<ParameterValues>;
	agreement(fitting: Fitting, known: Readonly<Record<string, number>>): Promise<readonly number[]>;
	end(): void;
}

/** What it needs of a workbench. */
export type ModelStand = Pick<Stand, 'plan' | 'course' | 'variation'> & {
	/** The one that is shown. */
	readonly robot: PlanRobot;
};

/** A robot of which a new run says so has changed. */
const mostSigmas = 3;

export class Modelling {
	/** Runs in which it was marked, newest first. */
	rows = $state.raw<readonly ListedAttempt[]>([]);
	isRead = $state(false);
	/** The part that is done while it is being found out. */
	progress = $state<number | null>(null);
	/** What was found out last, for as long as this is open. */
	found = $state.raw<FoundOut | null>(null);
	/** What has just been done, or could not be. */
	news = $state('');
	/** Runs since it was found out that do not agree with it. */
	disagreeing = $state.raw<readonly ListedAttempt[]>([]);
	/** What is on the floor of it. */
	readonly ways: ModelWays;
	private finder: Finder | null = null;

	/** Switched off for the plan, or for the course it is tried on. */
	readonly isOff = $derived.by(() =>
		helpersOffIn(this.stand.plan, this.stand.course).includes('model')
	);
	readonly known: KnownRobot | undefined = $derived.by(() => knownRobots.of(this.stand.robot));
	/** Nobody has said what an ideal robot would be like. */
	private readonly variation = $derived.by(() =>
		this.stand.variation === 'worn' ? ('worn' as const) : ('classroom' as const)
	);

	constructor(
		private readonly stand: ModelStand,
		private readonly startFinder: () => Finder = startWorker,
		pool?: TrialPool
	) {
		this.ways = new ModelWays(stand, startFinder, pool);
	}

	async read(): Promise<void> {
		const { kind, name } = this.stand.robot;
		this.rows = await keeper().marked(kind, name);
		this.isRead = true;
		await this.compare();
	}

	/** Whether what was run since agrees with what is known. */
	private async compare(): Promise<void> {
		const { known, rows } = this;
		const since = rows.filter(({ at }) => known && at > Date.parse(known.model.at));
		if (!known || since.length === 0) return;
		const finder = this.startFinder();
		try {
			const off = await finder.agreement(
				await this.fitting(since),
				valuesOf(known.model, Date.now())
			);
			this.disagreeing = since.filter((_, index) => off[index]! > mostSigmas);
		} finally {
			finder.end();
		}
	}

	private async fitting(rows: readonly ListedAttempt[]): Promise<Fitting> {
		const { kind, name } = this.stand.robot;
		const runs: MarkedRun[] = [];
		for (const { id, at, summary, marks = [], touches } of rows) {
			const own = summary.robots.find((robot) => robot.kind === kind && robot.name === name);
			const opened = await keeper().open(id);
			if (own && opened.ok) runs.push(markedRunOf({ ...opened.value, at, touches, marks }, own.id));
		}
		return { kind, variation: this.variation, runs };
	}

	/** From all of its runs and measures that tell something; what is found is used from then on. */
	async findOut(): Promise<void> {
		this.stop();
		const { robot, plan, course } = this.stand;
		const finder = (this.finder = this.startFinder());
		this.progress = 0;
		try {
			const ofRuns = await this.fitting(this.rows);
			const moves = knownRobots.measuresOf(robot).map((measure) => runOf(robot, measure));
			const fitting = { ...ofRuns, runs: [...ofRuns.runs, ...moves] };
			const found = await finder.find(fitting, { plan, course, robot }, (part) => {
				if (this.finder === finder) this.progress = part;
			});
			if (this.finder !== finder) return;
			this.found = found;
			this.disagreeing = [];
			const runs = ofRuns.runs.filter(({ marks }) => marks.length > 0).length;
			if (runs + moves.length === 0) {
				this.news = t('model.tellsNothing', { name: robot.name });
				return;
			}
			const from = { at: found.at, runs, moves: moves.length };
			const isOnServer = await knownRobots.put(robotModel(robot, found.fitted, from));
			this.news = t(isOnServer ? 'model.kept' : 'model.keptHere', { name: robot.name });
		} finally {
			if (this.finder === finder) this.stop();
		}
	}

	/** What was known before stays. */
	stop(): void {
		this.finder?.end();
		this.finder = null;
		this.progress = null;
	}

	use(isUsed: boolean): void {
		knownRobots.use(this.stand.robot, isUsed);
	}

	async forget(): Promise<void> {
		const { name } = this.stand.robot;
		this.found = null;
		const isForgotten = await knownRobots.forget(this.stand.robot);
		this.news = t(isForgotten ? 'model.forgotten' : 'model.forgottenHere', { name });
	}

	toFile(): void {
		const { known } = this;
		if (known) downloadDocument(known.model);
	}

	/** What another person, or device, has found out. */
	async fromFile(file: File): Promise<void> {
		const { kind, name } = this.stand.robot;
		const text = await textOfFile(file);
		const read = text.ok ? readDocument(text.value, robotModelFormat) : text;
		if (!read.ok) this.news = t('model.refused', { file: file.name, reason: say(read.failure) });
		else if (read.value.kind !== kind) this.news = t('model.otherKind', { file: file.name, name });
		else {
			this.found = null;
			await knownRobots.put({ ...read.value, name });
			this.news = t('model.taken', { file: file.name, name });
		}
	}
}

function startWorker(): Finder {
	const worker = new Worker(new URL('../../workers/fit.ts', import.meta.url), { type: 'module' });
	const service = wrap<FitService>(worker);
	return {
		find: (fitting, of, onProgress) =>
			service.find(fitting, of, proxy(onProgress)) as Promise<FoundOut>,
		usual: (kind, variation) => service.usual(kind, variation),
		agreement: (fitting, known) => service.agreement(fitting, known) as Promise<readonly number[]>,
		end: () => worker.terminate()
	};
}
