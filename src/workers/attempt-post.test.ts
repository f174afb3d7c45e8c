import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import {
	changedAttemptSchema,
	sentAttemptSchema,
	type ChangedAttempt,
	type FetchedAttempt,
	type ListedAttempt,
	type SentAttempt
} from '../core/attempts/kept';
import { pack } from '../core/attempts/packed';
import { simulate } from '../core/simulation/simulate';
import { courseOf, go, planOf, right } from '../core/testing/sample';
import { AttemptPost, type Ask } from './attempt-post';
import { AttemptShelf } from './attempt-shelf';
import type { Keeping } from './attempt-store';

const plan = planOf([go(0.3), right(90)]);
const course = courseOf();
const attempt = simulate({ plan, course, variation: 'classroom', seed: 2, isWatched: true });

/** A server as docs say it is, that can be away, and can lose what it was given. */
class Server {
	isAway = false;
	readonly rows = new Map<string, SentAttempt & ChangedAttempt>();
	readonly bodies = new Map<string, string>();
	readonly asked: string[] = [];

	readonly ask: Ask = (method, path, body) => {
		if (this.isAway) return Promise.reject(new TypeError('not reached'));
		const id = path.split('/').at(-1)!;
		this.asked.push(`${method} ${id}`);
		const done = (status: number, answer: unknown = {}) => Promise.resolve({ status, answer });
		const known = this.rows.get(id);
		if (method === 'PUT') {
			const sent = sentAttemptSchema.parse(body);
			for (const [hash, text] of Object.entries(sent.bodies ?? {})) this.bodies.set(hash, text);
			const missing = [sent.planHash, sent.courseHash].filter((hash) => !this.bodies.has(hash));
			if (missing.length === 0) this.rows.set(id, sent);
			return done(200, { missing });
		}
		if (method === 'GET' && id.startsWith('attempts?'))
			return done(200, [...this.rows].filter(([, row]) => !row.isGone).map(listed));
		if (!known) return done(404, 'no such attempt');
		if (method === 'PATCH') {
			const { name, note, isPinned, beside, marks, ...rest } = known;
			void [name, note, isPinned, beside, marks];
			this.rows.set(id, { ...rest, isGone: undefined, ...changedAttemptSchema.parse(body) });
			return done(200);
		}
		const fetched: FetchedAttempt = {
			row: listed([id, known]),
			plan: this.bodies.get(known.planHash)!,
			course: this.bodies.get(known.courseHash)!,
			recording: known.recording
		};
		return done(200, fetched);
	};
}

function listed([id, row]: [string, SentAttempt & ChangedAttempt]): ListedAttempt {
	const { planHash, courseHash, recording, bodies, isGone, ...rest } = row;
	void [planHash, courseHash, recording, bodies, isGone];
	return { id, ...rest };
}

let count = 0;
const keeping = (): Keeping => {
	count += 1;
	return { id: `a${count}`, planId: 'p', courseId: 'c', at: count, plan, course };
};

let server: Server;
let shelf: AttemptShelf;
let post: AttemptPost;
const onAnotherDevice = () => {
	vi.stubGlobal('indexedDB', new IDBFactory());
	const shelf = new AttemptShelf();
	return { shelf, post: new AttemptPost(shelf, server.ask) };
};

beforeEach(() => {
	server = new Server();
	({ shelf, post } = onAnotherDevice());
});
afterEach(() => {
	vi.unstubAllGlobals();
	vi.useRealTimers();
});

const named = async (at: AttemptPost) =>
	(await at.list('p'))?.map(({ id, name }) => (name ? `${id} ${name}` : id));

it('carries attempts to the server once, each body once, and opens them on another device', async () => {
	const [one, two] = [keeping(), keeping()];
	for (const each of [one, two]) await shelf.keep(each, attempt);
	await shelf.mark(one.id, { name: 'First', isPinned: true, beside: ['other'] });
	await post.send();
	await post.send();
	expect(server.asked).toEqual([`PUT ${one.id}`, `PUT ${two.id}`]);
	expect(server.rows.get(two.id)!.bodies).toEqual({});
	const other = onAnotherDevice();
	expect(await named(other.post)).toEqual([two.id, `${one.id} First`]);
	const opened = await other.post.open(one.id);
	if (!opened.ok) throw new Error(opened.failure.key);
	expect(pack(opened.value.attempt)).toEqual(pack(attempt));
	expect(opened.value).toMatchObject({
		plan,
		course,
		row: { name: 'First', isPinned: true, beside: ['other'] }
	});
	expect(await other.shelf.unsent()).toEqual([]);
});

it('sends again what the server did not take, and what was changed since', async () => {
	const one = keeping();
	await shelf.keep(one, attempt);
	await post.send();
	await shelf.mark(one.id, { note: 'Bumped the crate' });
	server.bodies.clear();
	server.rows.clear();
	await post.send();
	// Changed, then unknown, then without its bodies, then whole.
	expect(server.asked.map((each) => each.split(' ')[0])).toEqual(['PUT', 'PATCH', 'PUT', 'PUT']);
	expect(server.rows.get(one.id)).toMatchObject({ note: 'Bumped the crate' });
	expect(await shelf.unsent()).toEqual([]);
});

it('waits for a server that is away, and tries again by itself', async () => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
	server.isAway = true;
	const one = keeping();
	const kept = shelf.keep(one, attempt);
	await vi.advanceTimersByTimeAsync(100);
	await kept;
	const sent = post.send();
	await vi.advanceTimersByTimeAsync(100);
	await sent;
	expect(await vi.waitFor(() => post.list('p'))).toBeNull();
	server.isAway = false;
	await vi.waitFor(async () => {
		await vi.advanceTimersByTimeAsync(10_000);
		expect(server.rows.has(one.id)).toBe(true);
	});
});

it('tells what is deleted and brought back, and what one device writes the other reads', async () => {
	const one = keeping();
	await shelf.keep(one, attempt);
	await post.send();
	const { planHash } = server.rows.get(one.id)!;
	await shelf.remove(one.id);
	await post.send();
	expect(server.rows.get(one.id)).toMatchObject({ isGone: true, planHash });
	expect(await named(post)).toEqual([]);
	await shelf.bringBack(one.id);
	await post.send();
	server.rows.set(one.id, { ...server.rows.get(one.id)!, name: 'From the other device' });
	expect(await named(post)).toEqual([`${one.id} From the other device`]);
	// What this device has not sent yet stands before what the server says.
	await shelf.mark(one.id, { name: 'Mine' });
	expect(await named(post)).toEqual([`${one.id} Mine`]);
});

it('brings what the server alone has before something is written to it, and says where it cannot', async () => {
	const one = keeping();
	await shelf.keep(one, attempt);
	await post.send();
	const other = onAnotherDevice();
	server.isAway = true;
	await other.post.bring(one.id);
	expect(await other.shelf.remove(one.id)).toBeNull();
	server.isAway = false;
	await other.post.bring(one.id);
	expect(await other.shelf.remove(one.id)).toMatchObject({ id: one.id });
	await other.post.send();
	expect(await named(other.post)).toEqual([]);
	// What is gone here is not fetched anew: it can be brought back.
	await other.post.bring(one.id);
	expect(await other.shelf.bringBack(one.id)).toMatchObject({ id: one.id });
	await other.post.send();
	expect(server.rows.get(one.id)!.isGone).toBeUndefined();
});

it('keeps to itself what was deleted before it was sent, and what the server refuses', async () => {
	const [one, two] = [keeping(), keeping()];
	for (const each of [one, two]) await shelf.keep(each, attempt);
	await shelf.remove(one.id);
	const refusing = new AttemptPost(shelf, () => Promise.resolve({ status: 413, answer: '' }));
	await refusing.send();
	expect(await shelf.unsent()).toEqual([]);
	await shelf.mark(two.id, { name: 'Long' });
	await post.send();
	expect(server.asked).toEqual([]);
	expect((await post.open(two.id)).ok).toBe(true);
});
