/** Fitted models of robots, one for each: the newest counts, for everybody who has that robot. */
import type { RobotModelDocument } from '$core/fitting/robot-model';
import type { NamedRobot } from '$core/robots/robot-document';
import { database } from './database/database';
import { nameKey } from './name-key';

type Named = Pick<NamedRobot, 'kind' | 'name'>;

/** Models of one installation: the oldest go. */
const most = 2000;

export async function robotModelOf({ kind, name }: Named): Promise<RobotModelDocument | null> {
	const { statements } = await database();
	const [row] = await statements.select<{ content: string }>(
		'SELECT content FROM robotModels WHERE kind = ?1 AND nameKey = ?2',
		[kind, nameKey(name)]
	);
	return row ? (JSON.parse(row.content) as RobotModelDocument) : null;
}

/** An older one does not take the place of a newer one. */
export async function keepRobotModel(model: RobotModelDocument): Promise<void> {
	const { statements } = await database();
	const { kind, name, at } = model;
	await statements.change(
		`INSERT INTO robotModels (kind, nameKey, at, content) VALUES (?1, ?2, ?3, ?4)
			ON CONFLICT (kind, nameKey) DO UPDATE SET at = excluded.at, content = excluded.content
			WHERE excluded.at >= robotModels.at`,
		[kind, nameKey(name), at, JSON.stringify(model)]
	);
	await statements.change(
		`DELETE FROM robotModels WHERE rowid IN
			(SELECT rowid FROM robotModels ORDER BY at DESC LIMIT -1 OFFSET ?1)`,
		[most]
	);
}

export async function forgetRobotModel({ kind, name }: Named): Promise<void> {
	const { statements } = await database();
	await statements.change('DELETE FROM robotModels WHERE kind = ?1 AND nameKey = ?2', [
		kind,
		nameKey(name)
	]);
}
