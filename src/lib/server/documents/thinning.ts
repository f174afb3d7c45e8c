/** Which earlier contents of a document are given up: there are only so many, so large, and so old. */
import type { Sequelize } from 'sequelize';
import { database } from '../database/database';

/** The most that one document has, and the days after which an earlier content is given up. */
export const maximumVersions = 100;
const maximumDays = 365;

/** Bytes of all of one document; the newest few stay, however large they are. */
export const versionBytes = 12_000_000;
export const leastVersions = 3;

/** Gives up what is too much of one document. It costs little, and is done where one save adds much. */
export async function thinOf(documentId: string): Promise<void> {
	const { statements } = await database();
	await statements.change(
		`DELETE FROM versions WHERE id IN (
			SELECT id FROM (
				SELECT id, row_number() OVER newest AS rank,
					sum(length(CAST(content AS BLOB))) OVER newest AS bytes
				FROM versions WHERE documentId = ?1
				WINDOW newest AS (ORDER BY savedAt DESC, id DESC)
			)
			WHERE rank > ${leastVersions} AND bytes > ${versionBytes}
		)`,
		[documentId]
	);
}

/**
 * Of each person's versions of a document the newest stays: of a minute for an hour, of an hour for a
 * day, of a day for a month, of a month for a year.
 * @param byAge whether the clock can be believed; otherwise there are only so many
 */
export async function thinVersions(sequelize: Sequelize, byAge = true): Promise<void> {
	await sequelize.query(
		`DELETE FROM versions WHERE id IN (
			SELECT id FROM (
				SELECT id, age,
					row_number() OVER (
						PARTITION BY documentId, savedBy, strftime(CASE
							WHEN age < 1.0 / 24 THEN '%Y-%m-%d %H:%M'
							WHEN age < 1 THEN '%Y-%m-%d %H'
							WHEN age < 31 THEN '%Y-%m-%d'
							ELSE '%Y-%m'
						END, substr(savedAt, 1, 23))
						ORDER BY savedAt DESC, id DESC
					) AS place,
					row_number() OVER (PARTITION BY documentId ORDER BY savedAt DESC, id DESC) AS rank
				FROM (SELECT *, julianday('now') - julianday(savedAt) AS age FROM versions)
			)
			WHERE rank > ${maximumVersions}${byAge ? ` OR place > 1 OR age > ${maximumDays}` : ''}
		)`
	);
}
