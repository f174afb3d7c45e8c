/** People: a name picked on first use. There are no secrets yet; classes and roles come later. */
import { randomUUID } from 'node:crypto';
import { failure, success, type Result } from '$core/sentence';
import { database } from './database/database';
import { nameKey } from './name-key';

export interface Person {
	readonly id: string;
	readonly name: string;
}

/** People that one installation knows; a school has a few hundred. */
export const maximumPeople = 5000;

/** @param limit how many at the most */
export async function listPeople(limit: number): Promise<Person[]> {
	const { people } = await database();
	return people.findAll({
		attributes: ['id', 'name'],
		order: [['key', 'ASC']],
		limit,
		raw: true
	});
}

export async function findPerson(id: string | undefined): Promise<Person | null> {
	if (!id) return null;
	const { statements } = await database();
	const [row] = await statements.select<Person>('SELECT id, name FROM people WHERE id = ?', [id]);
	return row ?? null;
}

/** The person with this name, made if there is none yet; one statement, however many come at once. */
export async function takeName(name: string): Promise<Result<Person>> {
	const { people } = await database();
	const key = nameKey(name);
	if (key === '') return failure('person.noName');
	const known = await people.findOne({ where: { key } });
	if (known) return success({ id: known.id, name: known.name });
	if ((await people.count()) >= maximumPeople) {
		return failure('person.full', { maximum: maximumPeople });
	}
	await people.bulkCreate([{ id: randomUUID(), name, key }], { ignoreDuplicates: true });
	const { id, name: typed } = (await people.findOne({ where: { key } }))!;
	return success({ id, name: typed });
}
