import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { describe, expect, it } from 'vitest';
import { say } from '$lib/i18n';
import { saveDocument } from '../documents/save';
import { openDocument } from '../documents/list';
import { saveOf, withDatabase } from '../testing';
import { backUp } from './backup';
import { closeDatabase, database, openDatabase } from './database';
import { backupFolder, backupsIn, diskTrouble, fileName, soundnessSentence } from './soundness';

const hashOf = (file: string) => createHash('sha256').update(readFileSync(file)).digest('hex');

/** What is said when it is opened. */
async function said(folder: string): Promise<string> {
	try {
		await openDatabase(folder);
		return 'opened';
	} catch (error) {
		const sentence = soundnessSentence(error, folder);
		if (!sentence) throw error;
		return say(sentence);
	}
}

const run = (file: string, sql: string) =>
	new Promise<void>((done, fail) => {
		const one = new sqlite3.Database(file);
		one.exec(sql, (error) => one.close(() => (error ? fail(error) : done())));
	});

/** Some pages in the midst of it are something else. */
function damage(file: string) {
	const bytes = readFileSync(file);
	bytes.fill(0xa5, 4096, Math.min(bytes.length, 40_960));
	writeFileSync(file, bytes);
}

describe('a database', () => {
	const spoilt: readonly [string, RegExp, (file: string) => Promise<void> | void][] = [
		['that is damaged', /is damaged/, damage],
		['that is cut off', /is damaged/, (file) => truncateSync(file, 9000)],
		['that is a text', /no database of Lantern Step/, (file) => writeFileSync(file, 'Dear diary')],
		[
			'that is a picture',
			/no database of Lantern Step/,
			(file) => writeFileSync(file, Buffer.alloc(9000, 0xff))
		],
		[
			'of another program',
			/no database of Lantern Step/,
			async (file) => {
				rmSync(file);
				await run(file, 'CREATE TABLE shells (id INTEGER)');
			}
		],
		['of which nothing is left', /nothing is in this database/, (file) => truncateSync(file, 0)],
		[
			'of a newer Lantern Step',
			/newer Lantern Step has written/,
			(file) => run(file, "INSERT INTO SequelizeMeta (name) VALUES ('9999-later')")
		],
		[
			'that is a folder',
			/a file was expected/,
			(file) => {
				rmSync(file);
				mkdirSync(file);
			}
		]
	];
	it.each(spoilt)('%s is left as it is, with a sentence', (_, sentence, spoil) =>
		withDatabase(async (folder) => {
			const file = join(folder, fileName);
			await database();
			await saveDocument('quay', saveOf('kept'), null);
			await closeDatabase();
			await backUp(folder);
			await spoil(file);
			const isFile = !sentence.source.includes('a file was');
			const before = isFile && hashOf(file);
			const words = await said(folder);
			expect(words).toMatch(sentence);
			expect(words).toContain(file);
			expect(isFile && hashOf(file)).toBe(before);
			if (/damaged|no database|nothing is in/.test(words))
				expect(words).toContain(backupsIn(folder)[0]);
		})
	);

	it('a disk that takes nothing is told from what is ours', () => {
		const codes = ['SQLITE_FULL', 'ENOSPC', 'EROFS', 'SQLITE_IOERR', 'SQLITE_ERROR'];
		// As Sequelize hands it on, and as the system says it.
		for (const wrap of [(code: string) => ({ original: { code } }), (code: string) => ({ code })])
			expect(codes.map((code) => diskTrouble(wrap(code)))).toEqual([
				'full',
				'full',
				'closed',
				'closed',
				undefined
			]);
	});

	it('where a file stands in the place of its folder says so', () =>
		withDatabase(async (folder) => {
			const place = join(folder, 'not-a-folder');
			writeFileSync(place, '');
			expect(await said(place)).toContain('whether it is a folder');
		}));

	it('is copied once a day, and the copy is whole: what was saved is in it', () =>
		withDatabase(async (folder) => {
			await saveDocument('quay', saveOf('kept'), null);
			const day = (number: number) => new Date(Date.UTC(2026, 10, number));
			expect(await backUp(folder, day(1))).toBe('lantern-step-2026-11-01.sqlite');
			expect(await backUp(folder, day(1))).toBeUndefined();
			for (let number = 2; number <= 9; number++) await backUp(folder, day(number));
			expect(backupsIn(folder)).toHaveLength(7);
			await closeDatabase();
			const file = join(folder, fileName);
			rmSync(file);
			for (const ending of ['-wal', '-shm']) rmSync(file + ending, { force: true });
			writeFileSync(file, readFileSync(join(backupFolder(folder), backupsIn(folder)[0]!)));
			const found = await openDocument('quay', 'plan');
			expect(found?.ok && found.value.content.name).toBe('kept');
		}));
});
