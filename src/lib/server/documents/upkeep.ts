/** What the server does by itself now and then, so that the database stays readable and small. */
import { Op } from 'sequelize';
import { z } from 'zod';
import { tidyAttempts } from '../attempts/attempts';
import { database } from '../database/database';
import { summaryOfText } from './content';
import { tidySounds } from '../sounds';
import { emptyBin } from './change';
import { thinVersions } from './thinning';

/** Days for which what was deleted can be brought back. */
export const keptDays = 30;
const day = 24 * 3600 * 1000;
/** Documents that are read in one go; the server answers others in between. */
const batch = 20;

/** Milliseconds for which a clock has to have gone on before it is believed what is old. */
const steadyAfter = 3 * day;
/** More than this in one go, or so much back, is a jump: of the clock, or of a machine that was off for long. */
const longestGap = 7 * day;
const farthestBack = 5 * 60_000;

const clockSchema = z.object({ last: z.number(), steady: z.number() });

/**
 * Whether this machine's clock can be believed by now: one that was wrong at one start only must not
 * make everything old. @param now milliseconds since 1970, as it says
 */
async function isClockSteady(now: number): Promise<boolean> {
	const { facts } = await database();
	const fact = await facts.findByPk('clock');
	const known = fact ? clockSchema.safeParse(JSON.parse(fact.content)).data : undefined;
	const { last, steady } = known ?? { last: now, steady: 0 };
	const gone = now - last;
	const isJump = gone > longestGap || gone < -farthestBack;
	const content = { last: now, steady: isJump ? 0 : steady + Math.max(0, gone) };
	await facts.upsert({ name: 'clock', content: JSON.stringify(content) });
	return content.steady >= steadyAfter;
}

/** To be called now and then. */
export async function lookAfter(now = Date.now()): Promise<void> {
	if (await isClockSteady(now)) return tidyUp(now);
	await thinVersions((await database()).sequelize, false);
}

/** Empties what was deleted long ago, its versions with it, and thins the versions of the others. */
export async function tidyUp(now = Date.now()): Promise<void> {
	await emptyBin(new Date(now - keptDays * day));
	await tidyAttempts(now);
	await tidySounds(new Date(now - keptDays * day));
	const { sequelize } = await database();
	await thinVersions(sequelize);
}

/**
 * Looks at every document once after each new build: whether it can still be read, and what lists
 * shall show of it.
 * @param build names this build
 */
export async function readAll(build: string): Promise<void> {
	const { documents, facts } = await database();
	const fact = await facts.findByPk('readBy');
	if (fact?.content === build) return;
	for (let after = ''; ;) {
		const rows = await documents.findAll({
			attributes: ['id', 'kind', 'content', 'summary', 'revision'],
			where: { id: { [Op.gt]: after } },
			order: [['id', 'ASC']],
			limit: batch
		});
		for (const { id, kind, content, summary, revision } of rows) {
			const current = JSON.stringify(summaryOfText(kind, content));
			if (current === summary) continue;
			await documents.update({ summary: current }, { where: { id, revision }, silent: true });
		}
		const last = rows.at(-1);
		if (!last) break;
		after = last.id;
		await new Promise((goOn) => setImmediate(goOn));
	}
	await facts.upsert({ name: 'readBy', content: build });
}
