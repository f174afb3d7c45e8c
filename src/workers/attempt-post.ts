/**
 * Carries kept attempts between this device and the server. What is here goes there as soon as it can,
 * one after the other, oldest first; until the server has answered, it is not there. What others keep
 * of a plan is listed from there, and fetched when it is opened.
 */
import {
	fetchedAttemptSchema,
	listedAttemptSchema,
	notesOf,
	takenAttemptSchema,
	type ChangedAttempt,
	type ListedAttempt,
	type SentAttempt
} from '../core/attempts/kept';
import { failure, type Result } from '../core/sentence';
import type { AttemptShelf, OpenedAttempt } from './attempt-shelf';
import { newestFirst, type AttemptRow } from './attempt-store';

/** Milliseconds until the server is tried again, where it was not reached. */
const tryAgainAfter = 30_000;

/** @returns what the server answers, with its status @throws where it is not reached */
export type Ask = (
	method: string,
	path: string,
	body?: unknown
) => Promise<{ readonly status: number; readonly answer: unknown }>;

const ask: Ask = async (method, path, body) => {
	const response = await fetch(path, {
		method,
		headers: { 'content-type': 'application/json' },
		...(body !== undefined && { body: JSON.stringify(body) })
	});
	const text = await response.text();
	return { status: response.status, answer: response.ok ? JSON.parse(text) : text };
};

/** It cannot take it now. */
class Unable extends Error {}

const placeOf = (id: string): string => `/api/attempts/${encodeURIComponent(id)}`;

export class AttemptPost {
	private sending: Promise<void> | undefined;
	private isWantedAgain = false;
	private again: ReturnType<typeof setTimeout> | undefined;
	/** Plans and courses that the server has been given, by their hash. */
	private readonly given = new Set<string>();

	constructor(
		private readonly shelf: AttemptShelf,
		private readonly server: Ask = ask
	) {}

	/** Sends what the server does not have; where it is not reached, tries again in a while. */
	send(): Promise<void> {
		if (this.sending) this.isWantedAgain = true;
		return (this.sending ??= this.sendAll().finally(() => {
			this.sending = undefined;
			if (!this.isWantedAgain) return;
			this.isWantedAgain = false;
			void this.send();
		}));
	}

	private async sendAll(): Promise<void> {
		clearTimeout(this.again);
		try {
			for (const row of await this.shelf.unsent())
				await this.shelf.setSent(row, await this.sendOne(row));
		} catch {
			this.again = setTimeout(() => void this.send(), tryAgainAfter);
		}
	}

	/** @returns whether the server has it whole @throws where it is not reached, or cannot take it now */
	private async sendOne(row: AttemptRow): Promise<boolean> {
		const isGone = row.goneAt !== undefined;
		if (row.sent) {
			if (!row.sent.isWhole) return false;
			const change: ChangedAttempt = { ...notesOf(row), ...(isGone && { isGone }) };
			const status = await this.put('PATCH', row, change);
			// It has given it up meanwhile, as the oldest of many.
			if (status !== 404) return true;
		}
		// It was deleted before it was ever sent.
		if (isGone) return true;
		const whole = await this.shelf.wholeOf(row);
		if (!whole) return false;
		const { planId, courseId, at, modelVersion, courseMark, touches, only, summary } = row;
		const { planHash, courseHash } = row;
		const sent: SentAttempt = {
			...{ planId, courseId, at, modelVersion, courseMark, summary, planHash, courseHash },
			...(touches && { touches }),
			...(only !== undefined && { only }),
			...notesOf(row),
			recording: whole.recording
		};
		const hashes = [planHash, courseHash] as const;
		const bodiesBut = (known: { has(hash: string): boolean }) =>
			Object.fromEntries(
				hashes.flatMap((hash, i) => (known.has(hash) ? [] : [[hash, whole.bodies[i]!]]))
			);
		let status = await this.put('PUT', row, { ...sent, bodies: bodiesBut(this.given) });
		// It has forgotten what it was given.
		if (status === 409)
			status = await this.put('PUT', row, { ...sent, bodies: bodiesBut(new Set()) });
		if (status < 300) for (const hash of hashes) this.given.add(hash);
		return status < 300;
	}

	/** @returns the status; 409 where bodies are missing */
	private async put(method: string, { id }: AttemptRow, body: unknown): Promise<number> {
		const { status, answer } = await this.server(method, placeOf(id), body);
		if (status >= 500) throw new Unable();
		if (method === 'PUT' && status < 300 && takenAttemptSchema.parse(answer).missing.length > 0)
			return 409;
		return status;
	}

	/**
	 * Those of a plan here and on the server, newest first.
	 * @returns null where the server is not reached
	 */
	async list(planId: string): Promise<ListedAttempt[] | null> {
		let theirs: ListedAttempt[];
		try {
			const path = `/api/attempts?plan=${encodeURIComponent(planId)}`;
			const { status, answer } = await this.server('GET', path);
			if (status !== 200) return null;
			theirs = listedAttemptSchema.array().parse(answer);
		} catch {
			return null;
		}
		const here = await this.shelf.allOf(planId);
		const ours = here.filter(({ goneAt }) => goneAt === undefined);
		const told = ours.map((row) => {
			const listed = theirs.find(({ id }) => id === row.id);
			return listed ? this.shelf.takeNotes(row, listed) : row;
		});
		const others = theirs.filter(({ id }) => here.every((row) => row.id !== id));
		return [...(await Promise.all(told)), ...others].toSorted(newestFirst);
	}

	/** As it was recorded, here or there: what comes from there is here from then on. */
	async open(id: string): Promise<Result<OpenedAttempt>> {
		const opened = await this.shelf.open(id);
		if (opened.ok || opened.failure.key !== 'attempt.gone') return opened;
		const fetched = await this.fetch(id);
		if (fetched === null) return opened;
		return fetched ? await this.shelf.open(id) : failure('attempt.noRoom');
	}

	/** Before something is written to it: it may be on the server alone. */
	async bring(id: string): Promise<void> {
		if (!(await this.shelf.find(id))) await this.fetch(id);
	}

	/** @returns whether this device keeps it now; null where the server has none, or is not reached */
	private async fetch(id: string): Promise<boolean | null> {
		try {
			const { status, answer } = await this.server('GET', placeOf(id));
			return status === 200
				? await this.shelf.takeFetched(fetchedAttemptSchema.parse(answer))
				: null;
		} catch {
			return null;
		}
	}
}
