/**
 * Whether the database can be opened at all, looked at before anything is written: a file that is
 * damaged, foreign or newer stays as it is, and whoever starts the server is told what to do.
 */
import '../words';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { failure, success, type Result, type Sentence } from '$core/sentence';
import { migrations } from './migrations';

export const fileName = 'lantern-step.sqlite';
const backupsName = 'backups';
const backupPattern = /^lantern-step-\d{4}-\d{2}-\d{2}\.sqlite$/;
const head = 'SQLite format 3\0';

export const backupFolder = (folder: string): string => join(folder, backupsName);

/** Newest first. @returns names of files */
export function backupsIn(folder: string): string[] {
	const backups = backupFolder(folder);
	if (!existsSync(backups)) return [];
	return readdirSync(backups)
		.filter((name) => backupPattern.test(name))
		.toSorted()
		.toReversed();
}

/** It ends the start, with a sentence. */
export class CannotOpen extends Error {
	constructor(readonly sentence: Sentence) {
		super(sentence.key);
	}
}

const codeOf = (error: unknown): string => {
	const { code, original } = error as { code?: string; original?: { code?: string } };
	return original?.code ?? code ?? '';
};

/** Why a disk takes nothing, where that is the reason. */
export function diskTrouble(error: unknown): 'full' | 'closed' | undefined {
	const code = codeOf(error);
	if (['SQLITE_FULL', 'ENOSPC', 'EDQUOT'].includes(code)) return 'full';
	const isClosed =
		/^(SQLITE_(READONLY|CANTOPEN|IOERR|PERM)|EACCES|EPERM|EROFS|EEXIST|ENOTDIR)/.test(code);
	return isClosed ? 'closed' : undefined;
}

/** What went wrong in opening it, as far as a person can do something about it. */
export function soundnessSentence(error: unknown, folder: string): Sentence | undefined {
	if (error instanceof CannotOpen) return error.sentence;
	const trouble = diskTrouble(error);
	if (trouble === 'full') return { key: 'database.diskFull', values: { folder } };
	const values = { folder, code: codeOf(error) };
	return trouble && { key: 'database.noFolder', values };
}

/** @param folder of the database @returns a sentence if it must not be opened */
export async function checkDatabase(folder: string): Promise<Result<void>> {
	const file = join(folder, fileName);
	const [newest] = backupsIn(folder);
	const say = (key: string, more: Record<string, string> = {}) =>
		failure(`database.${key}`, {
			...{ file, has: newest ? 'backup' : 'none' },
			backup: newest ? join(backupsName, newest) : '',
			...more
		});
	if (!existsSync(file)) return success(undefined);
	if (!statSync(file).isFile()) return say('noFile');
	// A first start that was killed leaves as much; of one that was in use something was copied.
	const empty = () => (newest ? say('emptied') : success(undefined));
	if (statSync(file).size === 0) return empty();
	if ((await firstBytes(file)) !== head) return say('foreign');
	try {
		return await new DatabaseReader(file).use(async (reader) => {
			const [check] = await reader.all<{ quick_check: string }>('PRAGMA quick_check(1)');
			if (check?.quick_check !== 'ok') return say('damaged');
			const tables = await reader.all<{ name: string }>(
				"SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'"
			);
			if (tables.length === 0) return empty();
			if (!tables.some(({ name }) => name === 'SequelizeMeta')) return say('foreign');
			const done = await reader.all<{ name: string }>('SELECT name FROM SequelizeMeta');
			const known = new Set(migrations.map(({ name }) => name));
			return done.every(({ name }) => known.has(name)) ? success(undefined) : say('newer');
		});
	} catch (error) {
		const code = codeOf(error);
		return ['SQLITE_CORRUPT', 'SQLITE_NOTADB'].includes(code)
			? say('damaged')
			: say('unreadable', { code });
	}
}

async function firstBytes(file: string): Promise<string> {
	const handle = await open(file, 'r');
	try {
		const { buffer, bytesRead } = await handle.read(Buffer.alloc(head.length), 0, head.length, 0);
		return buffer.toString('latin1', 0, bytesRead);
	} finally {
		await handle.close();
	}
}

/** What can be asked of a file without changing it. */
export class DatabaseReader {
	constructor(private readonly file: string) {}

	private connection: sqlite3.Database | undefined;

	/** Opens it, and closes it whatever comes. */
	async use<T>(work: (reader: this) => Promise<T>): Promise<T> {
		await new Promise<void>((done, fail) => {
			this.connection = new sqlite3.Database(this.file, sqlite3.OPEN_READONLY, (error) =>
				error ? fail(error) : done()
			);
		});
		try {
			return await work(this);
		} finally {
			await new Promise<void>((done) => this.connection!.close(() => done()));
		}
	}

	all<Row>(sql: string, values: readonly unknown[] = []): Promise<Row[]> {
		return new Promise((done, fail) =>
			this.connection!.all<Row>(sql, values, (error, rows) => (error ? fail(error) : done(rows)))
		);
	}
}

/** Whether a copy can be opened, and is whole. */
export async function isWhole(file: string): Promise<boolean> {
	try {
		const rows = await new DatabaseReader(file).use((reader) =>
			reader.all<{ integrity_check: string }>('PRAGMA integrity_check(1)')
		);
		return rows[0]?.integrity_check === 'ok';
	} catch {
		return false;
	}
}
