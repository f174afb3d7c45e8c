/**
 * One tab's saving against every order of changes, answers, losses, refusals, kept and unkept drafts,
 * and kills. The server here is as small as can be: it takes what goes on from what it holds.
 */
import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import { go, planOf } from '$core/testing/sample';
import { runs } from '$core/testing/runs';
import {
	answered,
	changed,
	dismissed,
	firstRetry,
	isSafe,
	kept,
	missed,
	opened,
	restored,
	retired,
	sent,
	type Saving
} from './machine';
import type { Saved } from './answers';
import type { Content, Save } from './protocol';

const work = (count: number): Content => ({ kind: 'plan', content: planOf([go(count / 1000)]) });

class World {
	saving = opened('quay', 0);
	private count = 0;
	/** On the device. */
	private device: Save | null = null;
	/** What each document holds on the server, and the answers to all saves that it took. */
	private readonly held: Record<string, { revision: number; save: Save | null }> = {
		quay: { revision: 0, save: null }
	};
	private readonly answers: Record<string, Saved> = {};
	private readonly taken = new Set<Content>();
	/** The newest work that this tab may not lose: shown, and after a kill, kept. */
	private newest: Content | null = null;

	private take(id: string, save: Save): Saved {
		const known = this.answers[save.saveId];
		if (known) return known;
		const document = this.held[id]!;
		const goesOn =
			save.baseRevision === document.revision ||
			(document.save !== null && save.unanswered.includes(document.save.saveId));
		const name = `${id}-2`;
		const to = goesOn ? id : name;
		const revision = goesOn ? document.revision + 1 : 1;
		this.held[to] = { revision, save };
		this.taken.add(save.work);
		return (this.answers[save.saveId] = { revision, kept: goesOn ? null : { id: name, name } });
	}

	private elsewhere(): void {
		const { id } = this.saving;
		const { revision } = this.held[id]!;
		const save = { ...this.saving.draft!, saveId: `other-${(this.count += 1)}`, unanswered: [] };
		this.held[id] = { revision: revision + 1, save: { ...save, work: work(0) } };
	}

	act(action: string): void {
		const before = this.saving;
		switch (action) {
			case 'change':
				this.count += 1;
				this.saving = changed(before, work(this.count), undefined, `save-${this.count}`);
				this.newest = this.saving.draft!.work;
				break;
			case 'keep':
			case 'fail': {
				const { draft } = before;
				if (!draft) break;
				if (action === 'keep') this.device = draft;
				this.saving = kept(before, draft, action === 'keep');
				break;
			}
			case 'send':
				this.saving = sent(before);
				break;
			case 'answer':
				if (before.sending) this.hear(this.take(before.id, before.sending));
				break;
			case 'lose':
			case 'away':
			case 'refuse':
				if (!before.sending) break;
				if (action === 'lose') this.take(before.id, before.sending);
				this.saving = missed(before, action === 'refuse', 'no');
				expect(this.saving.draft).toBe(before.draft);
				break;
			case 'elsewhere':
				if (before.draft) this.elsewhere();
				break;
			case 'kill':
				// What was on its way arrives or not; what was on the device is there again.
				if (before.sending && this.count % 2) this.take(before.id, before.sending);
				this.saving = opened(before.id, this.held[before.id]!.revision);
				this.newest = this.device?.work ?? null;
				if (this.device) this.saving = restored(this.saving, this.device, true);
		}
	}

	private hear(answer: Saved): void {
		const { sending, draft } = this.saving;
		this.saving = answered(this.saving, answer);
		if (this.device && (this.device === draft || sending!.unanswered.includes(this.device.saveId)))
			if (this.device.saveId !== this.saving.draft?.saveId) this.device = null;
		// A newer draft stays, whichever older one is answered.
		if (draft!.saveId !== sending!.saveId) expect(this.saving.draft).toBe(draft);
		else expect(this.saving.answer).toBe('saved');
	}

	/** The network is good from now on. */
	settle(): void {
		for (let tries = 0; this.saving.draft; tries++) {
			expect(tries).toBeLessThan(4);
			this.act('send');
			this.act('answer');
		}
	}

	/** Others may have gone on from it since. */
	get isWhole(): boolean {
		return this.newest === null || this.taken.has(this.newest);
	}
}

const actions = [
	...['change', 'keep', 'fail', 'send', 'answer', 'lose', 'away', 'refuse', 'kill', 'elsewhere']
];

it('holds the newest work on the server in the end, whatever happens on the way', () => {
	fc.assert(
		fc.property(fc.array(fc.constantFrom(...actions), { maxLength: 30 }), (list) => {
			const world = new World();
			for (const action of list) {
				world.act(action);
				const { retry, draft, keptId } = world.saving;
				expect(retry).toBeGreaterThanOrEqual(firstRetry);
				expect(retry).toBeLessThanOrEqual(15_000);
				expect(isSafe(world.saving)).toBe(!draft || draft.saveId === keptId);
			}
			world.settle();
			expect(world.isWhole).toBe(true);
		}),
		{ numRuns: runs(500, 20_000) }
	);
});

it('makes no second version for a tab that is alone on a device that keeps what it is given', () => {
	const alone = ['change', 'send', 'answer', 'lose', 'away', 'kill'];
	fc.assert(
		fc.property(fc.array(fc.constantFrom(...alone), { maxLength: 30 }), (list) => {
			const world = new World();
			for (const action of list) {
				// Whatever goes out was kept before.
				if (action === 'send') world.act('keep');
				world.act(action);
			}
			world.settle();
			expect(world.saving.id).toBe('quay');
		}),
		{ numRuns: runs(500, 20_000) }
	);
});

const draftOf = (saving: Saving) => saving.draft!;
const one = changed(opened('quay', 3), work(1), undefined, 'one');

it('sends one at a time, made from the revision that it knows now', () => {
	const away = sent(one);
	expect(away.sending).toMatchObject({ saveId: 'one', baseRevision: 3 });
	const typed = changed(away, work(2), undefined, 'two');
	expect(sent(typed)).toBe(typed);
	expect(draftOf(typed).unanswered).toEqual(['one']);
	const heard = answered(typed, { revision: 4, kept: null });
	expect([heard.answer, heard.draft?.saveId, heard.unanswered]).toEqual(['saving', 'two', []]);
	expect(sent(heard).sending).toMatchObject({ saveId: 'two', baseRevision: 4 });
});

it('waits twice as long after each try that does not arrive, and as at first after one that does', () => {
	let saving = one;
	const waits = Array.from({ length: 6 }, () => {
		const { retry } = saving;
		saving = missed(sent(saving), false, '');
		return retry;
	});
	expect(waits).toEqual([1000, 2000, 4000, 8000, 15_000, 15_000]);
	expect(saving.answer).toBe('away');
	// Typing goes on, and it is still away.
	expect(changed(saving, work(2), undefined, 'two').answer).toBe('away');
	expect(answered(sent(saving), { revision: 4, kept: null }).retry).toBe(firstRetry);
	const refused = missed(sent(one), true, 'It is too large.');
	expect([refused.answer, refused.refusal, refused.retry]).toEqual([
		'refused',
		'It is too large.',
		1000
	]);
});

it('goes on in a second version, says so until it is read, and leaves it to whoever took over', () => {
	const second = {
		revision: 1,
		kept: { id: 'quay-2', name: 'Quay (2)' },
		wasDeleted: true as const
	};
	const moved = answered(sent(one), second);
	expect([moved.id, moved.secondVersion, moved.wasDeleted]).toEqual(['quay-2', second.kept, true]);
	expect(dismissed(moved)).toMatchObject({ secondVersion: null, wasDeleted: false, id: 'quay-2' });
	const gone = retired(sent(one));
	expect([gone.draft, answered(gone, second).id]).toEqual([null, 'quay']);
});
