/**
 * The database: SQLite in one file, through Sequelize. Write-ahead log, so that readers never wait;
 * foreign keys on; every change of the tables is a migration, the first one too.
 */
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';
import { defineModels } from './models';

/** Folder of the database file: LANTERN_DATA, or `data` where the server was started. */
export const dataFolder = (): string => resolve(process.env.LANTERN_DATA ?? 'data');

export async function openDatabase(folder = dataFolder()) {
	mkdirSync(folder, { recursive: true });
	const sequelize = new Sequelize({
		dialect: 'sqlite',
		storage: join(folder, 'lantern-step.sqlite'),
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
	await umzug.up();
	return { sequelize, ...defineModels(sequelize) };
}

export type Database = Awaited<ReturnType<typeof openDatabase>>;

let opened: Promise<Database> | undefined;

/** The one database of this process, opened and migrated on first use. */
export const database = (): Promise<Database> => (opened ??= openDatabase());
