/**
 * Savers of all kinds against a real database file: tabs that edit, lose answers, send twice, late and
 * at once, reload, are closed and sent for by others, on a server that is killed in between. What a
 * save holds is written into its robot's name: the marks of all saves that it goes on from, and its own.
 */
import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import {
	answered,
	changed,
	missed,
	opened,
	restored,
	sent,
	type Saving
} from '$lib/saving/machine';
import type { Content, Save } from '$lib/saving/protocol';
import { closeDatabase, database } from '../database/database';
import { newSaveId, planNamed, withDatabase } from '../testing';
import { saveDocument } from './save';
import { runs } from '$core/testing/runs';

const first = 'quay';

/** One tab: its saving, and the marks of what is on screen. */
interface Tab {
	saving: Saving;
	marks: number[];
}

const actions = [
	'work',
	'lose',
	'delay',
	'race',
	'edit',
	'twice',
	'late',
	'sendForIt',
	'reload',
	'open'
] as const;
type Action = (typeof actions)[number];
/** As many as matter: the one who loses answers, one who gets in between, one who opens what came of it. */
const tabs = 3;

class World {
	readonly acknowledged = new Set<number>();
	private readonly tabs: Tab[] = [];
	private readonly lateSaves: { document: string; save: Save }[] = [];
	private mark = 0;

	private constructor() {}

	/** All tabs open the same document, which holds one save. */
	static async begin(count: number): Promise<World> {
		const { documents } = await database();
		await documents.destroy({ where: {} });
		const world = new World();
		await world.open(0);
		await world.act('work', 0);
		for (let tab = 1; tab < count; tab++) await world.open(tab);
		return world;
	}

	/** Documents by id, with the marks in them. */
	async contents(): Promise<Map<string, number[]>> {
		const { documents } = await database();
		const rows = await documents.findAll();
		return new Map(rows.map(({ id, content }) => [id, marksIn(content)]));
	}

	/** In place of what the tab had open: the document that was made last. */
	private async open(which: number): Promise<void> {
		const { documents } = await database();
		const row = await documents.findOne({ order: [['createdAt', 'DESC']] });
		this.tabs[which] = {
			saving: opened(row?.id ?? first, row?.revision ?? 0),
			marks: row ? marksIn(row.content) : []
		};
	}

	async act(action: Action, which: number): Promise<void> {
		const tab = this.tabs[which]!;
		if (action === 'open') return this.open(which);
		if (action === 'late') {
			const late = this.lateSaves.shift();
			if (late) await saveDocument(late.document, late.save, null);
			return;
		}
		if (!tab.saving.draft || action === 'edit' || action === 'work') this.edit(tab);
		const { id, draft } = tab.saving;
		switch (action) {
			case 'work':
				return this.send(tab);
			case 'twice':
				await Promise.all([saveDocument(id, sent(tab.saving).sending!, null), this.send(tab)]);
				return;
			case 'race':
				for (const each of this.tabs) if (!each.saving.draft) this.edit(each);
				await Promise.all(this.tabs.map((each) => this.send(each)));
				return;
			case 'lose':
			case 'delay': {
				const away = sent(tab.saving);
				if (action === 'lose') await saveDocument(id, away.sending!, null);
				this.lateSaves.push({ document: id, save: away.sending! });
				tab.saving = missed(away, false, '');
				return;
			}
			case 'sendForIt':
				// Another page takes its draft for an orphan's; it has it as it was kept.
				await saveDocument(id, draft!, null);
				return;
			case 'reload':
				tab.saving = restored(opened(id, 0), draft!, true);
		}
	}

	private edit(tab: Tab): void {
		this.mark += 1;
		tab.marks = [...tab.marks, this.mark];
		tab.saving = changed(tab.saving, planWith(tab.marks), undefined, newSaveId());
	}

	private async send(tab: Tab): Promise<void> {
		const away = sent(tab.saving);
		const saved = await saveDocument(away.id, away.sending!, null);
		if (!saved.ok) throw new Error(saved.failure.key);
		for (const mark of tab.marks) this.acknowledged.add(mark);
		tab.saving = answered(away, saved.value);
	}
}

const marksIn = (content: string): number[] =>
	JSON.parse(content).robots[0].name.match(/\d+/g)?.map(Number) ?? [];

function planWith(marks: readonly number[]): Content {
	const { content } = planNamed('quay') as Content & { kind: 'plan' };
	return {
		kind: 'plan',
		content: {
			...content,
			robots: content.robots.map((robot) => ({ ...robot, name: marks.join(' ') }))
		}
	};
}

const moves = fc.array(fc.tuple(fc.constantFrom(...actions), fc.nat(tabs - 1)), {
	minLength: 5,
	maxLength: 24
});
const numRuns = runs(50, 150);

it('loses no save that was acknowledged, whatever tabs, networks and kills do', () =>
	withDatabase(() =>
		fc.assert(
			fc.asyncProperty(moves, fc.nat(30), async (list, kill) => {
				const world = await World.begin(tabs);
				for (const [index, [action, which]] of list.entries()) {
					await world.act(action, which);
					if (index === kill) await closeDatabase();
				}
				const held = new Set([...(await world.contents()).values()].flat());
				for (const mark of world.acknowledged) expect(held).toContain(mark);
			}),
			{ numRuns }
		)
	));

it('makes no second version for a tab that is alone, whatever its network does', () =>
	withDatabase(() =>
		fc.assert(
			fc.asyncProperty(moves, async (list) => {
				const world = await World.begin(1);
				for (const [action] of list) if (action !== 'open') await world.act(action, 0);
				expect((await world.contents()).size).toBe(1);
			}),
			{ numRuns }
		)
	));
