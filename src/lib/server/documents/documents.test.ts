import { statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { say } from '$lib/i18n';
import type { DocumentKind } from '$lib/saving/kinds';
import { closeDatabase, database } from '../database/database';
import { takeName } from '../people';
import { fillWithSamples } from '../samples';
import { newSaveId, saveOf, withDatabase } from '../testing';
import { copyDocument, renameDocument } from './change';
import { listDocuments, openDocument, type Choice } from './list';
import { saveDocument } from './save';
import { courseWork, done, id, nameOf, names, saveTo } from './testing';
import { readAll } from './upkeep';

describe('saving', () => {
	it('refuses a course over a plan, with a sentence', () =>
		withDatabase(async () => {
			await saveTo(saveOf('one'));
			const refused = await saveDocument(id, saveOf('', 1, { work: courseWork }), null);
			expect(!refused.ok && say(refused.failure)).toMatch(/A plan has this address/);
			expect(await names()).toEqual(['one']);
		}));

	it('answers a save that comes twice at once, or late, as it did the first time', () =>
		withDatabase(async () => {
			await saveTo(saveOf('one'));
			for (let round = 1; round <= 20; round++) {
				const save = saveOf(`round ${round}`, round);
				const answers = await Promise.all([saveTo(save), saveTo(save), saveTo(save)]);
				for (const answer of answers) expect(answer).toEqual({ revision: round + 1, kept: null });
			}
			const late = saveOf('late', 21);
			await saveTo(late);
			await saveTo(saveOf('newer', 22));
			expect(await saveTo(late)).toEqual({ revision: 22, kept: null });
			expect(await names()).toEqual(['newer']);
		}));

	it('takes a save for known that comes after a newer one of the same tab', () =>
		withDatabase(async () => {
			await saveTo(saveOf('one'));
			const lost = saveOf('two', 1);
			await saveTo(saveOf('three', 1, { unanswered: [lost.saveId] }));
			expect(await saveTo(lost)).toEqual({ revision: 2, kept: null });
			expect(await names()).toEqual(['three']);
		}));

	it('answers two first saves of one document at once', () =>
		withDatabase(async () => {
			for (let round = 0; round < 20; round++) {
				const to = `new-${round}`;
				const [one, two] = await Promise.all([saveTo(saveOf('a'), to), saveTo(saveOf('b'), to)]);
				expect([one.kept, two.kept].filter(Boolean)).toHaveLength(1);
			}
			expect(await names()).toHaveLength(40);
		}));

	it('never writes over a second version in which somebody else has saved', () =>
		withDatabase(async () => {
			for (let round = 0; round < 20; round++) {
				const to = `quay-${round}`;
				await saveTo(saveOf('one'), to);
				await saveTo(saveOf('two', 1), to);
				const lost = saveOf('tablet 1', 1);
				const { kept } = await saveTo(lost, to);
				await saveTo(saveOf('somebody else', 1), kept!.id);
				const next = saveOf('tablet 2', 1, { unanswered: [lost.saveId] });
				const again = saveOf('tablet 3', 1, { unanswered: [lost.saveId] });
				const both = await Promise.all([saveTo(next, to), saveTo(again, to)]);
				expect(await nameOf(kept!.id)).toBe('somebody else');
				for (const answer of both) expect(answer.kept!.id).not.toBe(kept!.id);
			}
		}));

	it('goes on in the second version that it made itself', () =>
		withDatabase(async () => {
			await saveTo(saveOf('one'));
			await saveTo(saveOf('two', 1));
			const lost = saveOf('tablet 1', 1);
			const { kept } = await saveTo(lost);
			const next = saveOf('tablet 2', 1, { unanswered: [lost.saveId] });
			expect(
				(await Promise.all([saveTo(next), saveTo(next)])).map((each) => each.kept!.id)
			).toEqual([kept!.id, kept!.id]);
			expect(await saveTo(lost)).toMatchObject({ revision: 2, kept: { id: kept!.id } });
			expect(await names()).toHaveLength(2);
		}));

	it('does not stumble over a save that bears the id of another document', () =>
		withDatabase(async () => {
			await saveTo(saveOf('victim'), 'victim');
			await saveTo(saveOf('one'));
			await saveTo(saveOf('two', 1));
			const { kept } = await saveTo(saveOf('three', 0, { saveId: 'victim' }));
			expect(kept!.id).not.toBe('victim');
			expect(await nameOf('victim')).toBe('victim');
		}));
});

describe('a list', () => {
	it('shows a row that cannot be read as such, and the others', () =>
		withDatabase(async () => {
			await saveTo(saveOf('sound'));
			await saveTo(saveOf('broken'), 'broken');
			const { documents } = await database();
			await documents.update({ content: '{"format":"x"}' }, { where: { id: 'broken' } });
			await readAll('a build');
			const { rows } = await listDocuments('plan');
			expect(Object.fromEntries(rows.map(({ name, summary }) => [name, summary]))).toEqual({
				sound: { steps: 0 },
				broken: { isUnreadable: true }
			});
			const opened = await openDocument('broken', 'plan');
			expect(opened!.ok).toBe(false);
			expect((await copyDocument('broken', null))!.ok).toBe(false);
			expect((await renameDocument('broken', 'x', null))!.ok).toBe(false);
		}));

	it('is sought in names, owners and what it says of contents, a page at a time', () =>
		withDatabase(async () => {
			await fillWithSamples();
			const odille = done(await takeName('Odille'));
			await saveTo(saveOf('Lamp by Odille'), 'lamp-odille', odille.id);
			for (let i = 0; i < 7; i++) await saveTo(saveOf(`Lamp ${i}`), `lamp-${i}`);
			const found = async (choice: Choice, kind: DocumentKind = 'plan') =>
				(await listDocuments(kind, choice)).rows.map(({ name }) => name);
			expect(await found({ find: 'LAMP 3' })).toEqual(['Lamp 3']);
			expect(await found({ find: 'odille', whose: odille.id })).toEqual(['Lamp by Odille']);
			const { rows, total } = await listDocuments('plan', { find: 'lamp ', skip: 2, limit: 3 });
			expect(rows).toHaveLength(3);
			const all = await found({ find: 'lamp ' });
			expect(rows.map(({ name }) => name)).toEqual(all.slice(2, 5));
			expect(total).toBe(all.length);
			const samples = await found({ whose: 'samples' });
			expect(samples.length).toBeGreaterThan(5);
			expect(samples).not.toContain('Lamp 3');
			const [rail] = await found({ suits: 'rail', limit: 1 }, 'course');
			expect(rail).toMatch(/rail/i);
			const last = (await listDocuments('course', {})).rows.at(-1)!;
			expect(await found({ first: last.id, limit: 1 }, 'course')).toEqual([last.name]);
			expect(await found({ find: 'nothing is called so' })).toEqual([]);
		}));

	it('counts the steps again after each new build, once', () =>
		withDatabase(async () => {
			await saveTo(saveOf('one'));
			const { documents } = await database();
			const forget = () => documents.update({ summary: null }, { where: {} });
			await forget();
			await readAll('first build');
			expect((await listDocuments('plan')).rows[0]!.summary).toEqual({ steps: 0 });
			await forget();
			await readAll('first build');
			expect((await listDocuments('plan')).rows[0]!.summary).toBeNull();
			await readAll('second build');
			expect((await listDocuments('plan')).rows[0]!.summary).toEqual({ steps: 0 });
		}));
});

describe('people', () => {
	it('of a whole class take new names at once', () =>
		withDatabase(async () => {
			const class30 = Array.from({ length: 30 }, (_, i) => `Learner ${i}`);
			const spellings = ['Ode', 'ODE', 'ｏｄｅ', '\u041ede', '\u039fde'];
			const taken = await Promise.all([...class30, ...spellings].map((name) => takeName(name)));
			const ids = taken.map((each) => done(each).id);
			expect(new Set(ids).size).toBe(31);
			expect(spellings).toContain(done(taken[30]!).name);
			expect((await takeName('\u200b')).ok).toBe(false);
		}));

	it('that were two by spelling before are one after the migration, with all their plans', () =>
		withDatabase(async () => {
			const { sequelize } = await database();
			// As an installation was before names had keys.
			await sequelize.query('DROP TRIGGER keep_version');
			for (const sql of [
				'DROP TABLE versions',
				'DROP TABLE facts',
				'DROP INDEX people_key',
				'ALTER TABLE people DROP COLUMN key',
				...['summary', 'savedBy', 'earlierSaves'].map(
					(column) => `ALTER TABLE documents DROP COLUMN ${column}`
				),
				"DELETE FROM SequelizeMeta WHERE name > '0001'",
				"INSERT INTO people (id, name, role, createdAt, updatedAt) VALUES ('p1', 'Ada', 'learner', '2026-01-01', '2026-01-01'), ('p2', 'ADA', 'learner', '2026-01-02', '2026-01-02')",
				"INSERT INTO documents (id, kind, ownerId, name, content, revision, saveId, createdAt, updatedAt) VALUES ('d', 'plan', 'p2', 'hers', '{}', 1, 's', '2026-01-01', '2026-01-01')"
			])
				await sequelize.query(sql);
			await closeDatabase();
			expect(done(await takeName('ada')).id).toBe('p1');
			const [row] = (await listDocuments('plan')).rows;
			expect(row).toMatchObject({ name: 'hers', owner: { id: 'p1', name: 'Ada' } });
		}));
});

describe('the first start', () => {
	it('keeps the database to its owner', () =>
		withDatabase(async (folder) => {
			await database();
			expect(statSync(folder).mode & 0o777).toBe(0o700);
			for (const ending of ['', '-wal', '-shm']) {
				const { mode } = statSync(join(folder, `lantern-step.sqlite${ending}`));
				expect(mode & 0o777, ending).toBe(0o600);
			}
		}));

	it('fills the demo data wholly or not at all', () =>
		withDatabase(async () => {
			const { documents, people, statements } = await database();
			const change = statements.change.bind(statements);
			let left = 5;
			statements.change = (...given) => {
				if ((left -= 1) === 0) throw new Error('killed');
				return change(...given);
			};
			await expect(fillWithSamples()).rejects.toThrow('killed');
			expect(await documents.count()).toBe(0);
			expect(await people.count()).toBe(0);
			await fillWithSamples();
			expect(await documents.count()).toBeGreaterThan(20);
		}));

	it('does not mind an index that a killed first start has left', () =>
		withDatabase(async () => {
			const { sequelize } = await database();
			await sequelize.query("DELETE FROM SequelizeMeta WHERE name = '0001-people-and-documents'");
			await closeDatabase();
			await saveTo(saveOf('one', 0, { saveId: newSaveId() }));
			expect(await names()).toEqual(['one']);
		}));
});
