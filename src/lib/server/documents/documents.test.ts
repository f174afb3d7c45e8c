import { statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { courseOf } from '$core/testing/sample';
import type { Result } from '$core/sentence';
import { say } from '$lib/i18n';
import type { DocumentKind } from '$lib/saving/kinds';
import type { Saved } from '$lib/saving/answers';
import type { Content, Save } from '$lib/saving/protocol';
import { closeDatabase, database } from '../database/database';
import { takeName } from '../people';
import { fillWithSamples } from '../samples';
import { newSaveId, saveOf, withDatabase } from '../testing';
import { copyDocument, renameDocument, setDeleted } from './change';
import { listDocuments, openDocument, type Choice } from './list';
import { saveDocument } from './save';
import { lookAfter, readAll, tidyUp } from './upkeep';
import { plansOn } from './uses';
import { goBack, listVersions } from './versions';

const id = 'quay';
const day = 24 * 3600 * 1000;

function done<T>(result: Result<T> | null): T {
	if (!result?.ok) throw new Error(result ? say(result.failure) : 'nothing there');
	return result.value;
}
const send = async (save: Save, to = id, person: string | null = null): Promise<Saved> =>
	done(await saveDocument(to, save, person));
const nameOf = async (of = id) => done(await openDocument(of, 'plan')).content.name;
const names = async () => (await listDocuments('plan')).rows.map(({ name }) => name).toSorted();
const course: Content = { kind: 'course', content: courseOf() };

describe('saving', () => {
	it('refuses a course over a plan, with a sentence', () =>
		withDatabase(async () => {
			await send(saveOf('one'));
			const refused = await saveDocument(id, saveOf('', 1, { work: course }), null);
			expect(!refused.ok && say(refused.failure)).toMatch(/A plan has this address/);
			expect(await names()).toEqual(['one']);
		}));

	it('answers a save that comes twice at once, or late, as it did the first time', () =>
		withDatabase(async () => {
			await send(saveOf('one'));
			for (let round = 1; round <= 20; round++) {
				const save = saveOf(`round ${round}`, round);
				const answers = await Promise.all([send(save), send(save), send(save)]);
				for (const answer of answers) expect(answer).toEqual({ revision: round + 1, kept: null });
			}
			const late = saveOf('late', 21);
			await send(late);
			await send(saveOf('newer', 22));
			expect(await send(late)).toEqual({ revision: 22, kept: null });
			expect(await names()).toEqual(['newer']);
		}));

	it('takes a save for known that comes after a newer one of the same tab', () =>
		withDatabase(async () => {
			await send(saveOf('one'));
			const lost = saveOf('two', 1);
			await send(saveOf('three', 1, { unanswered: [lost.saveId] }));
			expect(await send(lost)).toEqual({ revision: 2, kept: null });
			expect(await names()).toEqual(['three']);
		}));

	it('answers two first saves of one document at once', () =>
		withDatabase(async () => {
			for (let round = 0; round < 20; round++) {
				const to = `new-${round}`;
				const [one, two] = await Promise.all([send(saveOf('a'), to), send(saveOf('b'), to)]);
				expect([one.kept, two.kept].filter(Boolean)).toHaveLength(1);
			}
			expect(await names()).toHaveLength(40);
		}));

	it('never writes over a second version in which somebody else has saved', () =>
		withDatabase(async () => {
			for (let round = 0; round < 20; round++) {
				const to = `quay-${round}`;
				await send(saveOf('one'), to);
				await send(saveOf('two', 1), to);
				const lost = saveOf('tablet 1', 1);
				const { kept } = await send(lost, to);
				await send(saveOf('somebody else', 1), kept!.id);
				const next = saveOf('tablet 2', 1, { unanswered: [lost.saveId] });
				const again = saveOf('tablet 3', 1, { unanswered: [lost.saveId] });
				const both = await Promise.all([send(next, to), send(again, to)]);
				expect(await nameOf(kept!.id)).toBe('somebody else');
				for (const answer of both) expect(answer.kept!.id).not.toBe(kept!.id);
			}
		}));

	it('goes on in the second version that it made itself', () =>
		withDatabase(async () => {
			await send(saveOf('one'));
			await send(saveOf('two', 1));
			const lost = saveOf('tablet 1', 1);
			const { kept } = await send(lost);
			const next = saveOf('tablet 2', 1, { unanswered: [lost.saveId] });
			expect((await Promise.all([send(next), send(next)])).map((each) => each.kept!.id)).toEqual([
				kept!.id,
				kept!.id
			]);
			expect(await send(lost)).toMatchObject({ revision: 2, kept: { id: kept!.id } });
			expect(await names()).toHaveLength(2);
		}));

	it('does not stumble over a save that bears the id of another document', () =>
		withDatabase(async () => {
			await send(saveOf('victim'), 'victim');
			await send(saveOf('one'));
			await send(saveOf('two', 1));
			const { kept } = await send(saveOf('three', 0, { saveId: 'victim' }));
			expect(kept!.id).not.toBe('victim');
			expect(await nameOf('victim')).toBe('victim');
		}));
});

describe('a list', () => {
	it('shows a row that cannot be read as such, and the others', () =>
		withDatabase(async () => {
			await send(saveOf('sound'));
			await send(saveOf('broken'), 'broken');
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
			await send(saveOf('Lamp by Odille'), 'lamp-odille', odille.id);
			for (let i = 0; i < 7; i++) await send(saveOf(`Lamp ${i}`), `lamp-${i}`);
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
			await send(saveOf('one'));
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

describe('versions', () => {
	it('are kept when another person overwrites, and one goes back to them', () =>
		withDatabase(async () => {
			const ada = done(await takeName('Ada')).id;
			const piet = done(await takeName('Piet')).id;
			await send(saveOf('mine'), id, ada);
			await send(saveOf('overwritten', 1), id, piet);
			const [version] = (await listVersions(id))!;
			expect(version).toMatchObject({ name: 'mine', by: 'Ada', summary: { steps: 0 } });
			done(await goBack(id, version!.id, ada));
			expect(await nameOf()).toBe('mine');
			expect((await listVersions(id))!.map(({ name }) => name)).toEqual(['overwritten', 'mine']);
		}));

	it('of one person are one for each two minutes, and the last before a pause', () =>
		withDatabase(async () => {
			await send(saveOf('save 0'));
			const { sequelize } = await database();
			// One save each ten seconds for ten minutes, then another one after an hour.
			const start = Date.now() - 2 * 3600 * 1000;
			for (let i = 0; i <= 61; i++) {
				const at = new Date(start + (i === 61 ? 4000 : i * 10) * 1000);
				const stamp = at.toISOString().replace('T', ' ').replace('Z', ' +00:00');
				await sequelize.query('UPDATE documents SET name = ?, content = ?, updatedAt = ?', {
					replacements: [`save ${i}`, `content ${i}`, stamp]
				});
			}
			const kept = (await listVersions(id))!.map(({ name }) => name);
			expect(kept.length).toBeGreaterThanOrEqual(5);
			expect(kept.length).toBeLessThanOrEqual(8);
			expect(kept).toContain('save 60');
		}));

	it('are thinned with age, and given up after a year', () =>
		withDatabase(async () => {
			await send(saveOf('now'));
			const { versions, documents } = await database();
			const at = (age: number) => new Date(Date.now() - age * day);
			const add = (name: string, age: number, savedBy = 'ada') =>
				versions.create({
					documentId: id,
					name,
					content: 'x',
					summary: null,
					savedBy,
					savedAt: at(age)
				} as never);
			for (let i = 0; i < 40; i++) await add('of ten days ago', 10 - i / 1000);
			await add('by somebody else', 10, 'piet');
			await add('of long ago', 400);
			for (let i = 0; i < 20; i++) await add('of just now', i / 24 / 60);
			await tidyUp();
			const left = (await listVersions(id))!.map(({ name }) => name);
			const count = (name: string) => left.filter((each) => each === name).length;
			expect(count('of just now')).toBeGreaterThanOrEqual(19);
			expect(count('of ten days ago')).toBeLessThanOrEqual(2);
			expect(count('of ten days ago')).toBeGreaterThanOrEqual(1);
			expect(count('by somebody else')).toBe(1);
			expect(count('of long ago')).toBe(0);

			for (let i = 0; i < 120; i++) await add('many', i / 24 / 60, `person-${i}`);
			await tidyUp();
			expect((await listVersions(id))!.length).toBe(100);
			await documents.destroy({ where: { id } });
			expect(await versions.count()).toBe(0);
		}));
});

describe('what was deleted', () => {
	it('can be brought back for thirty days, and is emptied then', () =>
		withDatabase(async () => {
			await send(saveOf('one'));
			done(await setDeleted(id, true));
			expect((await listDocuments('plan')).rows).toHaveLength(0);
			expect((await listDocuments('plan', { isDeleted: true })).rows[0]!.name).toBe('one');
			await tidyUp(Date.now() + 29 * day);
			done(await setDeleted(id, false));
			expect(await names()).toEqual(['one']);
			done(await setDeleted(id, true));
			await tidyUp(Date.now() + 31 * day);
			expect(await setDeleted(id, false)).toBeNull();
		}));

	it('is not given up for a clock that was wrong once, and is when it has been right for days', () =>
		withDatabase(async () => {
			const { versions } = await database();
			await send(saveOf('one'));
			await send(saveOf('two', 1));
			await send(saveOf('gone'), 'gone');
			done(await setDeleted('gone', true));
			const now = Date.now();
			const binned = async () => (await listDocuments('plan', { isDeleted: true })).rows.length;
			for (const at of [0, 1, 400, 400.5, 401, 1.1, 2]) {
				await lookAfter(now + at * day);
				expect([await binned(), await versions.count()], `day ${at}`).toEqual([1, 1]);
			}
			// Holidays.
			for (const at of [60, 61, 62]) await lookAfter(now + at * day);
			expect(await binned()).toBe(1);
			for (const at of [63, 64]) await lookAfter(now + at * day);
			expect(await binned()).toBe(0);
		}));

	it('comes back with its course, however long before that was deleted', () =>
		withDatabase(async () => {
			const bench = { courseId: 'reeds', variation: 'classroom' as const, attempts: [] };
			await send(saveOf('', 0, { work: course }), 'reeds');
			await send(saveOf('one', 0, { bench }));
			const { documents } = await database();
			const long = new Date(Date.now() - 40 * day);
			await documents.update({ deletedAt: long }, { where: { id: 'reeds' }, silent: true });
			done(await setDeleted(id, true));
			await tidyUp();
			done(await setDeleted(id, false));
			expect((await listDocuments('course')).rows.map(({ id }) => id)).toEqual(['reeds']);
		}));

	it('stays as long as a plan is tried on it, and says so', () =>
		withDatabase(async () => {
			const bench = { courseId: 'reeds', variation: 'classroom' as const, attempts: [] };
			await send(saveOf('', 0, { work: course }), 'reeds');
			await send(saveOf('', 0, { work: course }), 'reeds-2');
			await send(saveOf('one', 0, { bench }));
			expect(await plansOn('reeds')).toEqual([{ id, name: 'one', owner: null }]);
			expect(await plansOn('reed')).toEqual([]);
			for (const one of ['reeds', 'reeds-2']) done(await setDeleted(one, true));
			await tidyUp(Date.now() + 31 * day);
			expect(done(await openDocument('reeds', 'course')).content).toEqual(courseOf());
			expect(await openDocument('reeds-2', 'course')).toBeNull();
			done(await setDeleted(id, true));
			expect(await plansOn('reeds')).toEqual([]);
			await tidyUp(Date.now() + 62 * day);
			expect(await openDocument('reeds', 'course')).toBeNull();
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
			await send(saveOf('one', 0, { saveId: newSaveId() }));
			expect(await names()).toEqual(['one']);
		}));
});
