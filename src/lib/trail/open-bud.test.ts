import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { go, planOf, repeat, right } from '$core/testing/sample';
import { Held } from './held';
import { openHeight, tile } from './open-bud';
import { OpenedBud } from './opened-bud.svelte';
import { rowListOf } from './row-list';

describe('an open bud', () => {
	const inner = go(0.2);
	const loop = repeat(2, [inner, right(90)]);
	const plan = planOf([loop, go(0.3)]);
	const keysAt = (holder: string, index: number) =>
		rowListOf(plan, {
			isFirst: true,
			open: { place: { holder, index }, heightAt: () => 200 }
		})
			.rows.filter((row) => row.type === 'bud' && row.isOpen)
			.map(({ key, height, depth }) => ({ key, height, depth }));

	it('stands where the next step goes: between two, in a loop, at an end', () => {
		const chain = plan.chains[0]!.id;
		expect(keysAt(chain, 1)).toEqual([{ key: `${chain}-open`, height: 200, depth: 0 }]);
		expect(keysAt(loop.id, 1)).toEqual([{ key: `${loop.id}-open`, height: 200, depth: 1 }]);
		expect(keysAt(chain, 2)).toEqual([{ key: `${chain}-bud`, height: 200, depth: 0 }]);
		// Steps that are gone leave it at the end.
		expect(keysAt(chain, 9)).toEqual([{ key: `${chain}-bud`, height: 200, depth: 0 }]);
	});

	it('is drawn anew when it opens, and taken over as it was while nothing changes', () => {
		const closed = rowListOf(plan, { isFirst: true });
		const place = { holder: plan.chains[0]!.id, index: 2 };
		const open = { place, heightAt: () => 200 };
		const opened = rowListOf(plan, { isFirst: true, open }, closed);
		expect(opened.rows.map((row, index) => closed.rows[index] === row)).toEqual([
			...Array.from({ length: opened.rows.length - 1 }, () => true),
			false
		]);
		const again = rowListOf(plan, { isFirst: true }, opened);
		expect(again.rows.at(-1)).not.toHaveProperty('isOpen');
	});

	it('is as high as its tiles need in the width there is', () => {
		const line = tile.size + tile.gap;
		expect(openHeight(8, 14, 390, false) - openHeight(8, 14, 300, false)).toBe(-line);
		expect(openHeight(8, 14, 100, false)).toBeGreaterThan(8 * line - tile.gap);
	});
});

describe('where it is open', () => {
	const [inner, after] = [go(0.2), go(0.3)];
	const loop = repeat(2, [inner]);
	const plan = planOf([loop, after]);
	const chain = plan.chains[0]!.id;
	const at = (around: Partial<ConstructorParameters<typeof OpenedBud>[0]> = {}) =>
		new OpenedBud({ plan, isFirst: true, width: 400, ...around });

	it('is the end of the first chain, then where it was opened, as long as that is there', () => {
		const bud = at();
		expect(bud.place).toEqual({ holder: chain, index: 2 });
		bud.openAt({ holder: loop.id, index: 1 });
		expect(bud.place).toEqual({ holder: loop.id, index: 1 });
		bud.openAt({ holder: 'gone', index: 1 });
		expect(bud.place).toEqual({ holder: chain, index: 2 });
		// A step that holds nothing has no bud.
		bud.openAt({ holder: after.id, index: 0 });
		expect(bud.place).toEqual({ holder: chain, index: 2 });
	});

	it('is nowhere at other levels, and in an empty plan', () => {
		expect(at({ isFirst: false }).drawing).toBeNull();
		expect(at({ plan: { ...plan, chains: [] } }).drawing).toBeNull();
	});

	it('stands higher in a loop, whose knot takes room, than beside it', () => {
		const bud = at({ width: 330 });
		const beside = bud.drawing!.heightAt(0);
		bud.openAt({ holder: loop.id, index: 1 });
		expect(bud.drawing!.heightAt(1)).toBeGreaterThan(beside);
	});
});

describe('a press', () => {
	beforeEach(() => void vi.useFakeTimers());
	afterEach(() => void vi.useRealTimers());
	const pressed = (ms: number, moved = 0) => {
		const said: string[] = [];
		const held = new Held((words) => said.push(words));
		held.down('Go');
		held.move({ clientX: 0, clientY: 0 });
		held.move({ clientX: moved, clientY: 0 });
		vi.advanceTimersByTime(ms);
		held.up();
		return { said, isForListening: held.wasHeld };
	};

	it('that is held speaks, and is not taken; one that is short, or moves away, is as ever', () => {
		expect(pressed(600)).toEqual({ said: ['Go'], isForListening: true });
		expect(pressed(200)).toEqual({ said: [], isForListening: false });
		expect(pressed(600, 40)).toEqual({ said: [], isForListening: false });
	});
});
