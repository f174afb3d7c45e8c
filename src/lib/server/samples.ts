/** The demo data: the Lamp Walk at Saltmarsh. Its files stand in samples/, ready for the runner too. */
import { randomUUID } from 'node:crypto';
import { checkDocument } from '$core/document';
import { documentFormats } from '$core/documents';
import type { Result } from '$core/sentence';
import { say } from '$lib/i18n';
import type { DocumentKind } from '$lib/saving/kinds';
import type { Bench, Content } from '$lib/saving/protocol';
import { database, inOneGo } from './database/database';
import { saveDocument } from './documents/save';
import { takeName } from './people';
import index from '../../../samples/index.json';

const files = import.meta.glob<unknown>('/samples/{plans,courses}/*.json', {
	eager: true,
	import: 'default'
});

function sample(kind: DocumentKind, file: string): Content {
	const path = `/samples/${kind}s/${file}.json`;
	const read = checkDocument<unknown>(files[path], documentFormats[kind]);
	if (!read.ok) throw new Error(`${path}: ${say(read.failure)}`);
	return { kind, content: read.value } as Content;
}

/**
 * Fills an empty database, in one go: killed half-way, it holds nothing of the demo data, and the next
 * start begins anew. One that holds anything is left alone.
 */
export async function fillWithSamples(): Promise<void> {
	const { documents, sequelize } = await database();
	if ((await documents.count()) > 0) return;
	await inOneGo(sequelize, async () => {
		const owners = new Map<string, string>();
		for (const name of index.people) owners.set(name, needed(await takeName(name)).id);
		const save = async (id: string, owner: string, work: Content, bench?: Bench) => {
			const first = { baseRevision: 0, saveId: randomUUID(), unanswered: [] };
			needed(await saveDocument(id, { work, bench, ...first }, owners.get(owner)!));
		};
		for (const { file, owner } of index.courses) {
			await save(file, owner, sample('course', file));
		}
		// What was saved last stands first on home: there the simplest plans are to be.
		for (const { file, owner, course } of index.plans.toReversed()) {
			const bench: Bench = { courseId: course, variation: 'classroom', attempts: [] };
			await save(file, owner, sample('plan', file), bench);
		}
	});
}

function needed<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(say(result.failure));
	return result.value;
}
