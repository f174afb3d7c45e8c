/** The shelf of pictures that a class shares: each picture once. */
import { createHash } from 'node:crypto';
import type { PictureDocument } from '$core/pictures/picture-document';
import { shelfSize, type ShelvedPicture } from '$core/pictures/shelved';
import { database } from './database/database';

/** Pictures of one installation: the oldest go. */
const most = 2000;

interface Row {
	readonly id: string;
	readonly name: string;
	readonly film: string;
	readonly ownerId: string | null;
	readonly by: string | null;
}

/** The newest. @param person id of who looks */
export async function shelvedPictures(person: string | null): Promise<ShelvedPicture[]> {
	const { statements } = await database();
	const rows = await statements.select<Row>(
		`SELECT s.id, s.name, s.film, s.ownerId, p.name AS by
			FROM pictures s LEFT JOIN people p ON p.id = s.ownerId ORDER BY s.at DESC, s.id LIMIT ?1`,
		[shelfSize]
	);
	return rows.map(({ ownerId, ...row }) => ({ ...row, isOwn: ownerId === person }));
}

/** One that is there already stays whose it is, and comes first again. @param person id of who puts it there */
export async function shelvePicture(
	{ name, film }: Pick<PictureDocument, 'name' | 'film'>,
	person: string | null
): Promise<void> {
	const { statements } = await database();
	const id = createHash('sha256').update(film).digest('hex');
	await statements.change(
		`INSERT INTO pictures (id, name, film, ownerId, at) VALUES (?1, ?2, ?3, ?4, ?5)
			ON CONFLICT (id) DO UPDATE SET at = excluded.at`,
		[id, name, film, person, new Date().toISOString()]
	);
	await statements.change(
		`DELETE FROM pictures WHERE id IN (SELECT id FROM pictures ORDER BY at DESC LIMIT -1 OFFSET ?1)`,
		[most]
	);
}

/** Nobody takes away what somebody else has put there. */
export async function unshelvePicture(id: string, person: string | null): Promise<void> {
	const { statements } = await database();
	await statements.change('DELETE FROM pictures WHERE id = ?1 AND ownerId IS ?2', [id, person]);
}
