import { describe, expect, it } from 'vitest';
import { courseOf } from '$core/testing/sample';
import { database } from '../database/database';
import { takeName } from '../people';
import { saveOf, withDatabase } from '../testing';
import { setDeleted } from './change';
import { listDocuments, openDocument } from './list';
import { courseWork, done, id, nameOf, names, saveTo } from './testing';
import { lookAfter, tidyUp } from './upkeep';
import { plansOn } from './uses';
import { goBack, listVersions } from './versions';

const day = 24 * 3600 * 1000;

describe('versions', () => {
	it('are kept when another person overwrites, and one goes back to them', () =>
		withDatabase(async () => {
			const ada = done(await takeName('Ada')).id;
			const piet = done(await takeName('Piet')).id;
			await saveTo(saveOf('mine'), id, ada);
			await saveTo(saveOf('overwritten', 1), id, piet);
			const [version] = (await listVersions(id))!;
			expect(version).toMatchObject({ name: 'mine', by: 'Ada', summary: { steps: 0 } });
			done(await goBack(id, version!.id, ada));
			expect(await nameOf()).toBe('mine');
			expect((await listVersions(id))!.map(({ name }) => name)).toEqual(['overwritten', 'mine']);
		}));

	it('of one person are one for each two minutes, and the last before a pause', () =>
		withDatabase(async () => {
			await saveTo(saveOf('save 0'));
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
			await saveTo(saveOf('now'));
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
			await saveTo(saveOf('one'));
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
			await saveTo(saveOf('one'));
			await saveTo(saveOf('two', 1));
			await saveTo(saveOf('gone'), 'gone');
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
			await saveTo(saveOf('', 0, { work: courseWork }), 'reeds');
			await saveTo(saveOf('one', 0, { bench }));
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
			await saveTo(saveOf('', 0, { work: courseWork }), 'reeds');
			await saveTo(saveOf('', 0, { work: courseWork }), 'reeds-2');
			await saveTo(saveOf('one', 0, { bench }));
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
