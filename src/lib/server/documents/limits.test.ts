import { describe, expect, it } from 'vitest';
import { say } from '$lib/i18n';
import { planOf, wait } from '$core/testing/sample';
import { database } from '../database/database';
import { takeName } from '../people';
import { saveOf, withDatabase } from '../testing';
import { copyDocument, emptyBin, setDeleted } from './change';
import { listDocuments } from './list';
import { saveDocument } from './save';
import { leastVersions, versionBytes } from './thinning';

const send = (to: string, save = saveOf(to), person: string | null = null) =>
	saveDocument(to, save, person);

/** So many plans more, each with a copy of the content of one that is there. */
async function fill(from: string, count: number, owner: string | null = null): Promise<void> {
	const { sequelize } = await database();
	await sequelize.query(
		`INSERT INTO documents (id, kind, ownerId, name, content, revision, saveId, earlierSaves,
				createdAt, updatedAt)
			WITH RECURSIVE number(n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM number WHERE n < :count)
			SELECT 'fill-' || n, kind, :owner, name, content, 1, 'fill-' || n, '', createdAt, updatedAt
			FROM documents, number WHERE documents.id = :from`,
		{ replacements: { from, count, owner } }
	);
}

describe('a full installation', () => {
	it('says so, keeps second versions all the same, and has room again once something is deleted', () =>
		withDatabase(async () => {
			await send('quay');
			await send('quay', saveOf('quay, later', 1));
			await fill('quay', 19_999);
			const refused = await send('one-more');
			expect(!refused.ok && say(refused.failure)).toMatch(/20,000 plans and courses/);
			expect((await copyDocument('quay', null))?.ok).toBe(false);
			const second = await send('quay', saveOf('from the tablet', 1));
			expect(second.ok && second.value.kept?.name).toMatch(/second version/);
			await setDeleted('fill-1', true);
			await setDeleted('fill-2', true);
			expect((await send('one-more')).ok).toBe(true);
			const { total } = await listDocuments('plan', { isDeleted: true, limit: 1 });
			expect(total).toBe(2);
			await emptyBin();
			expect((await listDocuments('plan', { isDeleted: true })).rows).toEqual([]);
			expect((await listDocuments('plan', { limit: 1 })).total).toBe(20_000);
		}));

	it('is filled by nobody alone', () =>
		withDatabase(async () => {
			const maren = await takeName('Maren');
			if (!maren.ok) throw new Error('no name');
			const { id } = maren.value;
			await send('quay');
			await fill('quay', 2000, id);
			const refused = await copyDocument('quay', id);
			expect(refused && !refused.ok && say(refused.failure)).toMatch(/You have 2,000/);
			expect((await copyDocument('quay', null))?.ok).toBe(true);
		}));

	it('asks whoever makes too much at once to wait, and takes what was there before', () =>
		withDatabase(async () => {
			await send('quay');
			const refused = await saveDocument('new', saveOf('new'), null, () => false);
			expect(!refused.ok && refused.failure.key).toBe('save.tooFast');
			expect((await saveDocument('quay', saveOf('next', 1), null, () => false)).ok).toBe(true);
			const name = await takeName('Piet', () => false);
			expect(!name.ok && name.failure.key).toBe('save.tooFast');
		}));
});

describe('deleting and saving', () => {
	it('the later one wins, and whoever saves is told', () =>
		withDatabase(async () => {
			await send('quay');
			await setDeleted('quay', true);
			const save = saveOf('changed in an open tab', 1);
			expect(await send('quay', save)).toMatchObject({ value: { wasDeleted: true, kept: null } });
			expect((await listDocuments('plan')).rows.map(({ id }) => id)).toEqual(['quay']);
			const next = await send('quay', saveOf('and again', 2));
			expect(next.ok && next.value.wasDeleted).toBeUndefined();
			await setDeleted('quay', true);
			expect((await listDocuments('plan')).rows).toEqual([]);
		}));

	it('at once: what was told is what holds', () =>
		withDatabase(async () => {
			for (let round = 0; round < 60; round++) {
				const id = `quay-${round}`;
				await send(id);
				const [saved] = await Promise.all([send(id, saveOf('x', 1)), setDeleted(id, true)]);
				const isThere = (await listDocuments('plan')).rows.some((row) => row.id === id);
				// Told that it was deleted before: then it is there. Not told: the deletion came later.
				expect(saved.ok && saved.value.wasDeleted === true).toBe(isThere);
			}
		}));
});

describe('versions', () => {
	it('of a large plan are bounded in bytes, and the newest few stay', () =>
		withDatabase(async () => {
			const people = await Promise.all(['Maren', 'Piet'].map((name) => takeName(name)));
			const ids = people.map((person) => (person.ok ? person.value.id : ''));
			const large = (round: number) =>
				planOf(
					Array.from({ length: 10_000 }, () => wait(1 + round / 100)),
					`round ${round}`
				);
			const { versions } = await database();
			for (let round = 0; round < 24; round++) {
				const work = { kind: 'plan' as const, content: large(round) };
				const saved = await send('quay', saveOf('', round, { work }), ids[round % 2]);
				expect(saved.ok).toBe(true);
			}
			const rows = await versions.findAll({
				where: { documentId: 'quay' },
				order: [['id', 'DESC']]
			});
			const bytes = rows.reduce((sum, { content }) => sum + content.length, 0);
			expect(bytes).toBeLessThan(versionBytes + rows[0]!.content.length);
			expect(rows.length).toBeGreaterThanOrEqual(leastVersions);
			expect(rows.length).toBeLessThan(22);
			expect(rows[0]!.name).toBe('round 22');
		}));
});
