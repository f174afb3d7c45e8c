/** A database of its own for a test, in a folder that goes with it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { planOf } from '$core/testing/sample';
import type { Content, Save } from '$lib/saving/protocol';
import { closeDatabase } from './database/database';

export async function withDatabase(work: (folder: string) => Promise<void>): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'lantern-step-db-'));
	const before = process.env.LANTERN_DATA;
	process.env.LANTERN_DATA = folder;
	try {
		await work(folder);
	} finally {
		await closeDatabase();
		if (before === undefined) delete process.env.LANTERN_DATA;
		else process.env.LANTERN_DATA = before;
		rmSync(folder, { recursive: true, force: true });
	}
}

export const planNamed = (name: string): Content => ({ kind: 'plan', content: planOf([], name) });

let count = 0;
export const newSaveId = (): string => `save-${(count += 1)}`;

export const saveOf = (name: string, baseRevision = 0, changes: Partial<Save> = {}): Save => ({
	work: planNamed(name),
	baseRevision,
	saveId: newSaveId(),
	unanswered: [],
	...changes
});
