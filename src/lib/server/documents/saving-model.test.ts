/**
 * Savers of all kinds against a real database file: tabs that edit, lose answers, send twice, late and
 * at once, reload, are closed and sent for by others, on a server that is killed in between. What a
 * save holds is written into its robot's name: the marks of all saves that it goes on from, and its own.
 */
import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Content, Save } from '$lib/saving/protocol';
import { closeDatabase, database } from '../database/database';
import { newSaveId, planNamed, withDatabase } from '../testing';
import { saveDocument } from './save';
import { runs } from '$core/testing/runs';

const first = 'quay';

/** One tab, as $lib/saving/saver does it: a draft, what it was made from, what was never answered. */
interface Tab {
	document: string;
	revision: number;
	marks: number[];
	draft: Save | null;
	unanswered: string[];
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
			document: row?.id ?? first,
			revision: row?.revision ?? 0,
			marks: row ? marksIn(row.content) : [],
			draft: null,
			unanswered: []
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
		if (!tab.draft || action === 'edit' || action === 'work') this.edit(tab);
		const draft = tab.draft!;
		const save = { ...draft, baseRevision: tab.revision };
		switch (action) {
			case 'work':
				return this.send(tab);
			case 'twice':
				await Promise.all([saveDocument(tab.document, save, null), this.send(tab)]);
				return;
			case 'race':
				for (const each of this.tabs) if (!each.draft) this.edit(each);
				await Promise.all(this.tabs.map((each) => this.send(each)));
				return;
			case 'lose':
			case 'delay':
				if (action === 'lose') await saveDocument(tab.document, save, null);
				miss(tab, save.saveId);
				this.lateSaves.push({ document: tab.document, save });
				return;
			case 'sendForIt':
				// Another page takes its draft for an orphan's; it has it as it was kept.
				await saveDocument(tab.document, draft, null);
				return;
			case 'reload':
				tab.unanswered = [...draft.unanswered, draft.saveId];
				tab.revision = draft.baseRevision;
		}
	}

	private edit(tab: Tab): void {
		this.mark += 1;
		tab.marks = [...tab.marks, this.mark];
		if (tab.draft) miss(tab, tab.draft.saveId);
		tab.draft = {
			work: planWith(tab.marks),
			baseRevision: tab.revision,
			saveId: newSaveId(),
			unanswered: tab.unanswered.slice(-100)
		};
	}

	private async send(tab: Tab): Promise<void> {
		const save = { ...tab.draft!, baseRevision: tab.revision };
		const saved = await saveDocument(tab.document, save, null);
		if (!saved.ok) throw new Error(saved.failure.key);
		for (const mark of tab.marks) this.acknowledged.add(mark);
		const answered = tab.unanswered.indexOf(save.saveId);
		tab.unanswered = answered < 0 ? [] : tab.unanswered.slice(answered + 1);
		tab.revision = saved.value.revision;
		tab.draft = null;
		if (saved.value.kept) tab.document = saved.value.kept.id;
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

function miss(tab: Tab, saveId: string): void {
	if (!tab.unanswered.includes(saveId)) tab.unanswered.push(saveId);
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
