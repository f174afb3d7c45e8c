/** What the server does by itself now and then, so that the database stays readable and small. */
import { Op } from 'sequelize';
import { database } from '../database/database';
import { summaryOfText } from './content';
import { plansOn } from './uses';
import { thinVersions } from './versions';

/** Days for which what was deleted can be brought back. */
export const keptDays = 30;
const day = 24 * 3600 * 1000;
/** Documents that are read in one go; the server answers others in between. */
const batch = 20;

/** Empties what was deleted long ago, its versions with it, and thins the versions of the others. */
export async function tidyUp(now = Date.now()): Promise<void> {
	const { documents, sequelize } = await database();
	const isOld = { deletedAt: { [Op.lt]: new Date(now - keptDays * day) } };
	await documents.destroy({ where: { ...isOld, kind: 'plan' } });
	for (const { id } of await documents.findAll({ attributes: ['id'], where: isOld }))
		// A course that a plan is still tried on stays, though no list shows it.
		if ((await plansOn(id)).length === 0) await documents.destroy({ where: { id } });
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
