/** What of an attempt can be saved as a table, and how it is made. */
import { happeningsTable, legTable, logTable, seriesTable, type Table } from '$core/attempts/csv';
import { legsIn, type Leg } from '$core/attempts/legs';
import type { Attempt, RobotRun } from '$core/simulation/attempt';
import { phrase } from '$lib/words/step-words';

export const csvTables = ['series', 'legs', 'log', 'happenings'] as const;
export type CsvTable = (typeof csvTables)[number];

const stepWords = ({ span }: Leg): string =>
	phrase(span.kind, span.values as Parameters<typeof phrase>[1]);

/** Each of one robot; the log of all. @param intended the same plan on an ideal robot, if it is known */
export const tableOf: Readonly<
	Record<CsvTable, (attempt: Attempt, run: RobotRun, intended: Attempt | null) => Table>
> = {
	series: seriesTable,
	legs: (attempt, run, intended) => legTable(legsIn(attempt, run, intended), stepWords),
	log: logTable,
	happenings: happeningsTable
};
