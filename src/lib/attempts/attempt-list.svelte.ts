/** The attempts of a plan that this device has kept, and what is done with them. */
import type { AttemptNotes, ListedAttempt } from '$core/attempts/kept';
import type { Plan } from '$core/plan/plan';
import type { Attempt } from '$core/simulation/attempt';
import { say, t } from '$lib/i18n';
import { downloadText } from '$lib/files/downloads';
import { newId } from '$lib/saving/id';
import { textOfFile } from '$lib/files/files';
import type { OpenedAttempt } from '$workers/attempt-shelf';
import { forget } from '$workers/kept';
import { keeper } from './keeper';
import './words';

/** Which of them are shown. */
export const attemptFilters = [
	'all',
	'pinned',
	'arrived',
	'bumped',
	'fell',
	'runs',
	'robot'
] as const;
export type AttemptFilter = (typeof attemptFilters)[number];

/** @param robot the name of the one that is shown */
const passes: Readonly<Record<AttemptFilter, (row: ListedAttempt, robot: string) => boolean>> = {
	all: () => true,
	pinned: ({ isPinned }) => isPinned === true,
	arrived: ({ summary }) => summary.reachedFinish,
	bumped: ({ summary }) => summary.bumps > 0,
	fell: ({ summary }) => summary.kind === 'fell',
	runs: ({ summary }) => summary.source.type === 'run',
	robot: ({ summary }, robot) => summary.robots.some(({ name }) => name === robot)
};

/** How many can lie over each other, and what each is called on the floor. */
const letters = 'ABCDEFGHIJ';

/** One that lies over the one on the floor. */
export interface LaidOver {
	readonly id: string;
	readonly letter: string;
	readonly attempt: Attempt;
	readonly plan: Plan;
	readonly touches?: ListedAttempt['touches'];
}

/** Where they are shown. */
interface Stage {
	readonly planId: string;
	readonly courseId: string | null;
	readonly robotName: string;
	/** The id of the one that is on the floor. */
	readonly shown: string | null;
	/** @returns whether it could be shown */
	show(opened: OpenedAttempt): Promise<boolean>;
}

export class AttemptList {
	/** Newest first. */
	rows = $state.raw<readonly ListedAttempt[]>([]);
	isRead = $state(false);
	/** The server could not be asked: only what this device has is listed. */
	isOfDeviceOnly = $state(false);
	filter = $state<AttemptFilter>('all');
	/** What has just been done, or could not be. */
	news = $state('');
	/** The one that was deleted last. */
	gone = $state.raw<ListedAttempt | null>(null);
	/** Those that lie over the one on the floor, each with a letter. */
	laid = $state.raw<readonly LaidOver[]>([]);
	readonly passing = $derived.by(() =>
		this.rows.filter((row) => passes[this.filter](row, this.stage.robotName))
	);
	private asked = 0;

	constructor(private readonly stage: Stage) {}

	async read(): Promise<void> {
		const { planId } = this.stage;
		this.rows = await keeper().list(planId);
		this.isRead = true;
		const all = await keeper().listAll(planId);
		this.isOfDeviceOnly = all === null;
		// Some may have come meanwhile.
		const here = this.rows.filter(({ id }) => all?.every((row) => row.id !== id));
		if (all) this.rows = [...all, ...here].toSorted((a, b) => b.at - a.at);
	}

	get shown(): string | null {
		return this.stage.shown;
	}

	/** One has been kept, or changed. */
	put(row: ListedAttempt): void {
		const others = this.rows.filter(({ id }) => id !== row.id);
		this.rows = [...others, row].toSorted((a, b) => b.at - a.at);
	}

	async show({ id }: ListedAttempt): Promise<void> {
		this.asked += 1;
		const { asked } = this;
		const opened = await keeper().open(id);
		// Somebody has asked for another one meanwhile.
		if (asked !== this.asked) return;
		if (!opened.ok) this.news = say(opened.failure);
		else await this.stage.show(opened.value);
	}

	/** Lays it over the one on the floor, or takes it away again. */
	async lay({ id }: ListedAttempt): Promise<void> {
		const isLaid = () => this.laid.some((each) => each.id === id);
		if (isLaid()) {
			this.laid = this.laid.filter((each) => each.id !== id);
			return;
		}
		const opened = await keeper().open(id);
		// A second press came before the first was answered.
		if (isLaid()) return;
		const taken = this.laid.map((each) => each.letter);
		const letter = Array.from(letters).find((each) => !taken.includes(each));
		if (!opened.ok) this.news = say(opened.failure);
		else if (!letter) this.news = t('attempts.enough', { most: letters.length });
		else {
			const { attempt, plan, row } = opened.value;
			this.laid = [...this.laid, { id, letter, attempt, plan, touches: row.touches }];
		}
	}

	async mark({ id }: ListedAttempt, notes: AttemptNotes): Promise<void> {
		const row = await keeper().mark(id, notes);
		if (row) this.put(row);
		else this.news = t('attempts.away');
	}

	/** Keeps that the attempt on the floor was set beside another one, and so both, or forgets that. */
	async keepBeside(other: string, isKept: boolean): Promise<void> {
		const rowOf = (id: string | null) => this.rows.find((row) => row.id === id);
		const [shown, laid] = [rowOf(this.shown), rowOf(other)];
		if (!shown) return;
		const others = (shown.beside ?? []).filter((id) => id !== other);
		if (!isKept) return this.mark(shown, { beside: others });
		await this.mark(shown, { beside: [...others, other], isPinned: true });
		if (laid) await this.mark(laid, { isPinned: true });
	}

	async remove(row: ListedAttempt): Promise<void> {
		if (!(await keeper().remove(row.id))) {
			this.news = t('attempts.away');
			return;
		}
		await forget(row.id);
		this.rows = this.rows.filter(({ id }) => id !== row.id);
		this.laid = this.laid.filter(({ id }) => id !== row.id);
		this.gone = row;
		this.news = t('attempts.deleted');
	}

	async bringBack(): Promise<void> {
		const row = this.gone && (await keeper().bringBack(this.gone.id));
		if (row) this.put(row);
		this.gone = null;
		this.news = row ? t('attempts.back') : '';
	}

	async toFile(row: ListedAttempt): Promise<void> {
		const text = await keeper().fileOf(row.id);
		if (!text.ok) this.news = say(text.failure);
		else downloadText(row.name ?? t('attempts.fileName'), 'attempt', text.value);
	}

	async fromFile(file: File): Promise<void> {
		const text = await textOfFile(file);
		const { planId, courseId } = this.stage;
		const place = { id: newId(), planId, courseId };
		const row = text.ok ? await keeper().takeFile(text.value, place) : text;
		if (!row.ok) this.news = t('attempts.refused', { file: file.name, reason: say(row.failure) });
		else {
			this.put(row.value);
			this.news = t('attempts.taken', { file: file.name });
			await this.show(row.value);
		}
	}
}
