/** Copies of the database, one a day, each looked at before it counts: the newest seven are kept. */
import { chmodSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { dataFolder } from './database';
import { backupFolder, backupsIn, fileName, isWhole, DatabaseReader } from './soundness';

const mostBackups = 7;

/** @returns the name of the copy that was made, if there was none of this day */
export async function backUp(folder = dataFolder(), now = new Date()): Promise<string | undefined> {
	const name = `lantern-step-${now.toISOString().slice(0, 10)}.sqlite`;
	const file = join(backupFolder(folder), name);
	if (existsSync(file)) return undefined;
	mkdirSync(backupFolder(folder), { recursive: true, mode: 0o700 });
	const part = `${file}.part`;
	rmSync(part, { force: true });
	try {
		await new DatabaseReader(join(folder, fileName)).use((reader) =>
			reader.all('VACUUM INTO ?', [part])
		);
		if (!(await isWhole(part))) throw new Error(`The copy ${name} is not whole.`);
		chmodSync(part, 0o600);
		renameSync(part, file);
	} finally {
		rmSync(part, { force: true });
	}
	for (const old of backupsIn(folder).slice(mostBackups)) rmSync(join(backupFolder(folder), old));
	return name;
}
