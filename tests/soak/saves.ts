/** Saves over the network that can be recognised later: kills, three parties on one plan, a class. */
import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { planOf, wait } from '../../src/core/testing/sample';
import { AttemptKeeper } from './attempts';
import { Server, type Answer } from './server';

interface Saved {
	revision: number;
	kept: { id: string; name: string } | null;
}

interface Row {
	id: string;
	name: string;
}

const quay = planOf([wait(1)], 'Quay');

const saveOf = (mark: string, baseRevision: number, unanswered: string[] = []) => ({
	work: {
		kind: 'plan',
		content: { ...quay, robots: quay.robots.map((robot) => ({ ...robot, name: mark })) }
	},
	baseRevision,
	saveId: randomUUID(),
	unanswered
});
type Save = ReturnType<typeof saveOf>;

const put = async (server: Server, id: string, save: Save): Promise<Saved> => {
	const { status, text } = await server.send('PUT', `/api/documents/${id}`, save);
	if (status !== 200) throw new Error(`${status} ${text}`);
	return JSON.parse(text) as Saved;
};

async function listOf(server: Server): Promise<Row[]> {
	const rows: Row[] = [];
	for (;;) {
		const query = `kind=plan&limit=500&skip=${rows.length}`;
		const page = JSON.parse((await server.get(`/api/documents?${query}`)).text) as {
			rows: Row[];
			total: number;
		};
		rows.push(...page.rows);
		if (page.rows.length === 0 || rows.length >= page.total) return rows;
	}
}

async function markIn(server: Server, id: string): Promise<string> {
	const { text } = await server.get(`/api/documents/${id}`);
	return (JSON.parse(text) as { robots: { name: string }[] }).robots[0]!.name;
}

/**
 * Four savers at once, each on a plan of its own, again and again, and one that keeps attempts; the server
 * is killed at a random moment. A saver repeats what was not answered, as the app does.
 */
export async function killCycles(server: Server, cycles: number) {
	let saves = 0;
	let lost = 0;
	let slowest = 0;
	const savers = Array.from({ length: 4 }, () => ({
		id: randomUUID() as string,
		revision: 0,
		count: 0,
		unanswered: [] as string[],
		acknowledged: 0
	}));
	const keeper = new AttemptKeeper();
	await keeper.keepOne(server);
	for (let cycle = 0; cycle < cycles; cycle++) {
		let isKilled = false;
		const work = savers.map(async (saver) => {
			while (!isKilled) {
				saver.count += 1;
				const save = saveOf(String(saver.count), saver.revision, saver.unanswered);
				try {
					const { revision, kept } = await put(server, saver.id, save);
					if (kept) lost += 1;
					saver.revision = revision;
					saver.unanswered = [];
					saver.acknowledged = saver.count;
					saves += 1;
				} catch (error) {
					if (!isKilled) throw error;
					saver.unanswered.push(save.saveId);
				}
			}
		});
		work.push(
			(async () => {
				while (!isKilled) {
					try {
						await keeper.keepOne(server);
					} catch (error) {
						if (!isKilled) throw error;
					}
				}
			})()
		);
		const before = saves;
		// However busy this computer is, something was acknowledged in each cycle.
		while (saves < before + 2) await new Promise((goOn) => setTimeout(goOn, 5));
		await new Promise((goOn) => setTimeout(goOn, Math.random() * 250));
		isKilled = true;
		await server.kill();
		await Promise.all(work);
		slowest = Math.max(slowest, await server.restart());
		lost += await keeper.lost(server);
		for (const { id, acknowledged } of savers) {
			if (acknowledged === 0) continue;
			if (Number(await markIn(server, id)) < acknowledged) lost += 1;
		}
	}
	const second = (await listOf(server)).length - savers.length;
	return {
		cycles,
		saves,
		attempts: keeper.count,
		lost,
		secondVersionsNobodyMade: second,
		slowestRestartMs: Math.round(slowest)
	};
}

/** First starts that are killed in the middle of migrating and of filling in the demo data. */
export async function firstStarts(times: number) {
	let broken = 0;
	for (let i = 0; i < times; i++) {
		const server = await Server.startAndKill(100 + Math.random() * 1400);
		await server.restart();
		if ((await listOf(server)).length !== readdirSync('samples/plans').length) broken += 1;
		await server.end();
	}
	return { firstStarts: times, broken };
}

/**
 * A tablet whose answer is lost, somebody who opens the second version that came of it and saves
 * there, and the tablet again; then the same save twice at once.
 */
export async function threeParties(server: Server, rounds: number) {
	let lost = 0;
	let surplus = 0;
	for (let round = 0; round < rounds; round++) {
		const id = randomUUID();
		await put(server, id, saveOf('first', 0));
		await put(server, id, saveOf('second', 1));
		const before = (await listOf(server)).length;
		const unheard = saveOf('tablet 1', 1);
		const kept = (await put(server, id, unheard)).kept!;
		await put(server, kept.id, saveOf('somebody else', 1));
		const next = saveOf('tablet 2', 1, [unheard.saveId]);
		const answers = await Promise.all([put(server, id, next), put(server, id, next)]);
		if ((await markIn(server, kept.id)) !== 'somebody else') lost += 1;
		const ids = new Set(answers.map((answer) => answer.kept?.id));
		for (const each of ids) if ((await markIn(server, each!)) !== 'tablet 2') lost += 1;
		surplus += (await listOf(server)).length - before - 2;
		for (const each of [id, kept.id, ...ids]) {
			await server.send('PATCH', `/api/documents/${each}`, { deleted: true });
		}
	}
	return { rounds, lost, secondVersionsNobodyMade: surplus };
}

/** Thirty new names at once, each of whom then saves a first plan. */
export async function classes(server: Server, times: number) {
	let failures = 0;
	/** So many new names and documents are taken from one address at once, and so many more a minute. */
	let refused = 0;
	const count = (answers: readonly (Answer | null)[]) => {
		for (const answer of answers) {
			if (answer?.status === 503) refused += 1;
			else if (answer?.status !== 200) failures += 1;
		}
	};
	for (let time = 0; time < times; time++) {
		const taken = await Promise.all(
			Array.from({ length: 30 }, (_, i) =>
				server.send('POST', '/api/people', { name: `Learner ${time} ${i}` })
			)
		);
		count(taken);
		count(
			await Promise.all(
				taken.map(() =>
					server.send('PUT', `/api/documents/${randomUUID()}`, saveOf('mine', 0)).catch(() => null)
				)
			)
		);
	}
	return { classes: times, failures, refused };
}
