/** People: a name picked on first use. There are no secrets yet; classes and roles come later. */
import { randomUUID } from 'node:crypto';
import { database } from './database/database';

export interface Person {
	readonly id: string;
	readonly name: string;
}

export async function listPeople(): Promise<Person[]> {
	const { people } = await database();
	const rows = await people.findAll({ order: [['name', 'ASC']] });
	return rows.map(({ id, name }) => ({ id, name }));
}

export async function findPerson(id: string | undefined): Promise<Person | null> {
	if (!id) return null;
	const { people } = await database();
	const row = await people.findByPk(id);
	return row && { id: row.id, name: row.name };
}

/** The person with this name, made if there is none yet. */
export async function takeName(name: string): Promise<Person> {
	const { people } = await database();
	const [row] = await people.findOrCreate({
		where: { name },
		defaults: { id: randomUUID(), name }
	});
	return { id: row.id, name: row.name };
}
