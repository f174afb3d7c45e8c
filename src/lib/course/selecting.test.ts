import { expect, it } from 'vitest';
import './words';
import type { Course } from '$core/course/course';
import { courseOf, wall } from '$core/testing/sample';
import { Voice } from '$lib/desk/voice.svelte';
import { keepParts, readParts } from './parts-clipboard';
import { Selecting } from './selecting.svelte';

const near = { ...wall([0.5, 0.5], [0.5, 1]), id: 'near' };
const far = { ...wall([1.5, 0.5], [1.5, 1]), id: 'far' };

class Desk extends Selecting {
	readonly voice = new Voice();
	constructor(readonly course: Course) {
		super();
	}
}
const deskOf = (locked: string[] = []) => new Desk(courseOf({ walls: [near, far], locked }));
const idsOf = (desk: Desk) => desk.selection.map(({ part, id }) => `${part}/${id}`);

it('selects what lies wholly in a box, beside what is selected already if that is meant', () => {
	const desk = deskOf();
	desk.selectIn({ west: 0.4, south: 0.4, east: 0.6, north: 1.1 });
	expect(idsOf(desk)).toEqual(['walls/near']);
	expect(desk.only).toEqual({ part: 'walls', id: 'near' });
	desk.selectIn({ west: 0, south: 0.4, east: 2, north: 1.1 }, true);
	expect(idsOf(desk)).toEqual(['walls/near', 'walls/far']);
	expect(desk.only).toBe(undefined);
	expect(desk.box).toMatchObject({ west: 0.49, east: 1.51 });
	desk.toggle({ part: 'walls', id: 'near' });
	expect(idsOf(desk)).toEqual(['walls/far']);
	expect(desk.voice.announcement.text).toMatch(/wall/i);
});

it('goes round all parts, and leaves out what is held fast unless one presses it', () => {
	const desk = deskOf(['walls/near']);
	desk.selectAll();
	expect(idsOf(desk)).toEqual(['walls/far', 'starts/1']);
	desk.select([]);
	for (const id of ['walls/near', 'walls/far', 'starts/1', 'walls/near']) {
		desk.selectNext(1);
		expect(idsOf(desk)).toEqual([id]);
	}
	desk.selectNext(-1);
	expect(idsOf(desk)).toEqual(['starts/1']);
	expect(desk.partAt([0.5, 0.7])).toBe(undefined);
	expect(desk.partAt([0.5, 0.7], true)).toEqual({ part: 'walls', id: 'near' });
});

it('forgets what is gone', () => {
	const desk = deskOf();
	desk.select([{ part: 'walls', id: 'away' }]);
	expect([desk.selection, desk.box]).toEqual([[], undefined]);
});

it('takes in what was copied, and nothing that is not ours', () => {
	const text = keepParts([{ part: 'walls', value: near }]);
	expect(readParts(text)).toEqual([{ part: 'walls', value: near }]);
	expect(readParts(text.replace('walls', 'moons'))).toEqual([]);
	for (const other of ['', 'null', '[1]', '{"format":"x/parts","parts":[]}', '"walls"'])
		expect(readParts(other), other).toBe(undefined);
});
