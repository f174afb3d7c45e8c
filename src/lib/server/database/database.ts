/**
 * The database: SQLite in one file, through Sequelize. Write-ahead log, so that readers never wait;
 * foreign keys on; every change of the tables is a migration, the first one too.
 *
 * All queries go through one connection. A transaction of Sequelize's would open a second one, and
 * where thirty people write at once the two lock each other out; so a write here is one statement.
 */
import { chmodSync, closeSync, mkdirSync, openSync, readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import type { Database as Connection } from 'sqlite3';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';
import { defineModels } from './models';
import { backupFolder, CannotOpen, checkDatabase, fileName } from './soundness';
import { Statements } from './statements';

/** Folder of the database file: LANTERN_DATA, or `data` where the server was started. */
export const dataFolder = (): string => resolve(process.env.LANTERN_DATA ?? 'data');

/** @throws CannotOpen where what is there must not be touched */
export async function openDatabase(folder = dataFolder()) {
	const sound = await checkDatabase(folder);
	if (!sound.ok) throw new CannotOpen(sound.failure);
	keepToOwner(folder);
	const sequelize = new Sequelize({
		dialect: 'sqlite',
		storage: join(folder, fileName),
		logging: false
	});
	await sequelize.query('PRAGMA journal_mode = WAL');
	// A save that was acknowledged must outlive a power cut, not only a crash of this process.
	await sequelize.query('PRAGMA synchronous = FULL');
	await sequelize.query('PRAGMA foreign_keys = ON');
	const umzug = new Umzug({
		migrations,
		context: sequelize.getQueryInterface(),
		storage: new SequelizeStorage({ sequelize }),
		logger: undefined
	});
	await inOneGo(sequelize, () => umzug.up());
	return {
		sequelize,
		statements: new Statements(await connectionOf(sequelize)),
		...defineModels(sequelize)
	};
}

/** The one connection that Sequelize has, too. */
const connectionOf = (sequelize: Sequelize): Promise<Connection> =>
	sequelize.connectionManager.getConnection({ type: 'write' }) as Promise<Connection>;

export type Database = Awaited<ReturnType<typeof openDatabase>>;

/**
 * What children write is for this machine's owner only. A folder that holds other things as well
 * keeps its rights; the file has its own in any case, and its log takes them over.
 */
function keepToOwner(folder: string): void {
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const files = readdirSync(folder);
	const ours = (name: string) =>
		name.startsWith(fileName) || join(folder, name) === backupFolder(folder);
	if (files.every(ours)) chmodSync(folder, 0o700);
	closeSync(openSync(join(folder, fileName), 'a', 0o600));
	for (const name of readdirSync(folder)) {
		if (name.startsWith(fileName)) chmodSync(join(folder, name), 0o600);
	}
}

/**
 * Does all of the work or, when it fails or this process is killed, none of it. Only before requests
 * are served: what else is written meanwhile belongs to the same transaction.
 */
export async function inOneGo<T>(sequelize: Sequelize, work: () => Promise<T>): Promise<T> {
	await sequelize.query('BEGIN IMMEDIATE');
	try {
		const done = await work();
		await sequelize.query('COMMIT');
		return done;
	} catch (error) {
		await sequelize.query('ROLLBACK');
		throw error;
	}
}

/** A moment as the tables hold it. */
export const stamp = (moment = new Date()): string =>
	moment.toISOString().replace('T', ' ').replace('Z', ' +00:00');

let opened: Promise<Database> | undefined;

/** The one database of this process, opened and migrated on first use. */
export const database = (): Promise<Database> => (opened ??= openDatabase());

/** Closes it; the next use opens it again. */
export async function closeDatabase(): Promise<void> {
	const closing = await opened;
	opened = undefined;
	await closing?.statements.finalize();
	await closing?.sequelize.close();
}
