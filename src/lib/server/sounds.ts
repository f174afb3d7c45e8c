/** Sounds that people have recorded: each once, by the hash of its file, however many plans play it. */
import { createHash } from 'node:crypto';
import { failure, success, type Result } from '$core/sentence';
import { idsIn } from '$core/sounds/clip';
import { longestSound, sampleRate } from '$core/sounds/limits';
import { readWav } from '$core/sounds/wav';
import { database } from './database/database';

/** It is kept only as what it says it is, and in the form in which we write sounds. */
export async function storeSound(id: string, wav: Buffer): Promise<Result<void>> {
	if (createHash('sha256').update(wav).digest('hex') !== id) return failure('sound.damaged');
	const read = readWav(wav, longestSound * sampleRate);
	if (!read.ok) return read;
	const { rate, voices, leftOut } = read.value;
	if (rate !== undefined || voices !== undefined || leftOut > 0) return failure('sound.notOurs');
	const { statements } = await database();
	await statements.change(
		`INSERT INTO sounds (id, wav, keptAt) VALUES (?1, ?2, ?3)
			ON CONFLICT (id) DO UPDATE SET keptAt = excluded.keptAt`,
		[id, wav, Date.now()]
	);
	return success(undefined);
}

export async function fetchSound(id: string): Promise<Buffer | null> {
	const { statements } = await database();
	const [row] = await statements.select<{ wav: Buffer }>('SELECT wav FROM sounds WHERE id = ?1', [
		id
	]);
	return row?.wav ?? null;
}

/** Gives up what no plan plays, nor an earlier version of one, nor one in the bin. @param before it came so long ago */
export async function tidySounds(before: Date): Promise<void> {
	const { statements } = await database();
	const old = await statements.select<{ id: string }>('SELECT id FROM sounds WHERE keptAt < ?1', [
		before.getTime()
	]);
	if (old.length === 0) return;
	const playing = `content LIKE '%"kind":"clip"%'`;
	const rows = await statements.select<{ content: string | Buffer }>(
		`SELECT content FROM documents WHERE ${playing}
			UNION ALL SELECT content FROM versions WHERE ${playing}
			UNION ALL SELECT content FROM blobs WHERE hash IN (SELECT planHash FROM attempts) AND ${playing}`,
		[]
	);
	const used = new Set(rows.flatMap(({ content }) => idsIn(content.toString())));
	for (const { id } of old)
		if (!used.has(id)) await statements.change('DELETE FROM sounds WHERE id = ?1', [id]);
}
