/** The demo data: the Lamp Walk at Saltmarsh. Its files stand in samples/, ready for the runner too. */
import { randomUUID } from 'node:crypto';
import { courseFormat, courseSchema } from '$core/course/course';
import { checkDocument } from '$core/document';
import { planFormat, planSchema } from '$core/plan/plan';
import { say } from '$lib/i18n';
import type { Content } from '$lib/saving/protocol';
import { database } from './database/database';
import { saveDocument } from './documents';
import { takeName } from './people';
import index from '../../../samples/index.json';

const files = import.meta.glob<unknown>('/samples/{plans,courses}/*.json', {
	eager: true,
	import: 'default'
});

function sample(folder: 'plans' | 'courses', file: string): Content {
	const value = files[`/samples/${folder}/${file}.json`];
	const read =
		folder === 'plans'
			? checkDocument(value, planSchema, planFormat)
			: checkDocument(value, courseSchema, courseFormat);
	if (!read.ok) throw new Error(`samples/${folder}/${file}.json: ${say(read.failure)}`);
	return { kind: folder === 'plans' ? 'plan' : 'course', content: read.value } as Content;
}

/** Fills an empty database. One that holds anything is left alone. */
export async function fillWithSamples(): Promise<void> {
	const { documents } = await database();
	if ((await documents.count()) > 0) return;
	const fresh = () => ({ baseRevision: 0, saveId: randomUUID(), unanswered: [] });
	const owners = new Map<string, string>();
	for (const name of index.people) owners.set(name, (await takeName(name)).id);
	for (const { file, owner } of index.courses) {
		await saveDocument(file, { work: sample('courses', file), ...fresh() }, owners.get(owner)!);
	}
	for (const { file, owner, course } of index.plans) {
		const bench = { courseId: course, variation: 'classroom' as const, attempts: [] };
		await saveDocument(
			file,
			{ work: sample('plans', file), bench, ...fresh() },
			owners.get(owner)!
		);
	}
}
