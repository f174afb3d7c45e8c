/** People: a name picked on first use. There are no secrets yet; classes and roles come later. */
import './words';
import { randomUUID } from 'node:crypto';
import { failure, success, type Result } from '$core/sentence';
import type { Person } from '$lib/saving/answers';
import { database } from './database/database';
import { holdsUnseen, nameKey, skeletonOf } from './name-key';

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

/** New names are taken one after the other: two that look alike may come in the same moment. */
let taking: Promise<unknown> = Promise.resolve();

/**
 * The person with this name, or with one that looks like it; made if there is none yet.
 *
 * @param mayMake whether whoever asks may make one more
 */
export async function takeName(
	name: string,
	mayMake: () => boolean = () => true
): Promise<Result<Person>> {
	if (holdsUnseen(name)) return failure('person.unseen');
	const key = nameKey(name);
	if (key === '') return failure('person.noName');
	const known = await withKey(key);
	if (known) return success(known);
	if (!mayMake()) return failure('save.tooFast');
	const taken = taking.then(() => takeNew(name, key));
	taking = taken.catch(() => undefined);
	return taken;
}

async function withKey(key: string): Promise<Person | null> {
	const { people } = await database();
	return people.findOne({ attributes: ['id', 'name'], where: { key }, raw: true });
}

async function takeNew(name: string, key: string): Promise<Result<Person>> {
	const { people } = await database();
	const known = (await withKey(key)) ?? (await findAlike(name));
	if (known) return success(known);
	if ((await people.count()) >= maximumPeople)
		return failure('person.full', { maximum: maximumPeople });
	// Another process may have been faster.
	await people.bulkCreate([{ id: randomUUID(), name, key }], { ignoreDuplicates: true });
	return success((await withKey(key))!);
}

/** A name of another script that looks the same is no other person's. */
async function findAlike(name: string): Promise<Person | undefined> {
	const skeleton = skeletonOf(name);
	const all = await listPeople(maximumPeople);
	return all.find((one) => skeletonOf(one.name) === skeleton);
}
