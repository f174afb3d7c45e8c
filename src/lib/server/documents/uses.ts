/** Plans that are tried on a course. */
import { Op } from 'sequelize';
import type { Use } from '$lib/saving/answers';
import { database } from '../database/database';
import type { DocumentRow, PersonRow } from '../database/models';

/** How the workbench of a plan is written that has this course. @param id checked, so no pattern */
const benchWith = (id: string): string => `{"courseId":"${id}"`;

/** Newest first. */
export async function plansOn(course: string): Promise<Use[]> {
	const { documents } = await database();
	const rows = (await documents.findAll({
		attributes: ['id', 'name'],
		where: { kind: 'plan', deletedAt: null, bench: { [Op.startsWith]: benchWith(course) } },
		include: { association: 'owner', attributes: ['name'] },
		order: [['updatedAt', 'DESC']],
		raw: true,
		nest: true
	})) as (DocumentRow & { owner?: PersonRow | null })[];
	return rows.map(({ id, name, owner }) => ({ id, name, owner: owner?.name ?? null }));
}

/** Whether a plan is tried on it, or could be again: one that was deleted may be brought back. */
export async function mayBeNeeded(course: string): Promise<boolean> {
	const { documents } = await database();
	const where = { kind: 'plan', bench: { [Op.startsWith]: benchWith(course) } };
	return (await documents.count({ where })) > 0;
}
