/**
 * A kind of part of a course that nobody foresaw: a row in the table of parts, and its words. Here the
 * table is that of the app with this row; nothing else in the code knows of it.
 */
import { render } from 'svelte/server';
import { expect, it, vi } from 'vitest';
import { courseHistory } from '../../src/core/course/editing/edits';
import { courseSchema, type Course, type PartName } from '../../src/core/course/course';
import { partsAt } from '../../src/core/course/extent';
import { figures } from '../../src/core/course/editing/figures';
import { gripOf, pulledBy } from '../../src/core/course/editing/grip';
import { lay, spotOf } from '../../src/core/course/editing/lay';
import { markOf } from '../../src/core/course/mark';
import { freeIds, partNames, partsOf } from '../../src/core/course/parts';
import type * as list from '../../src/core/course/parts/list';
import { materialOf, planSpots } from '../../src/core/course/print/lines';
import { readOwn } from '../../src/core/course/svg/own';
import { readDrawing } from '../../src/core/course/svg/shapes';
import { writeSvg } from '../../src/core/course/svg/write';
import { got } from '../../src/core/testing/got';
import { courseOf } from '../../src/core/testing/sample';
import PartGlyph from '../../src/lib/course/PartGlyph.svelte';
import CourseDrawing from '../../src/lib/floor/CourseDrawing.svelte';
import { addMessages } from '../../src/lib/i18n';
import words from './words.en.json';

vi.mock('../../src/core/course/parts/list', async (original) => {
	const { partKinds } = await original<typeof list>();
	return { partKinds: { ...partKinds, buoys: (await import('./buoy')).buoys } };
});
addMessages(words);

const buoys = 'buoys' as PartName;
const before = courseHistory.start(courseOf());

/** Laid as a hand does: pressed at a place, and pulled to how far it reaches. */
const laid = (() => {
	const { edit, refs } = lay(before.document, buoys, spotOf(buoys, [1, 1], [1.2, 1], {}));
	return { ref: refs[0]!, history: got(courseHistory.perform(before, edit)) };
})();
const course = laid.history.document;

it('is laid, pulled, numbered, found, deleted and undone as any other', () => {
	expect(partsOf(course, buoys)).toEqual([{ id: 'buoy-1', at: [1, 1], radius: 0.2 }]);
	expect(partsAt(course, [1.1, 1.1], 0.01)).toEqual([laid.ref]);
	expect(freeIds(course, buoys, 1)).toEqual(['buoy-2']);
	const [buoy] = partsOf(course, buoys);
	expect(gripOf(buoys, buoy!)).toEqual([1.2, 1]);
	expect(pulledBy(buoys, buoy!, [2, 1], 0.05)).toMatchObject({ radius: 0.4 });
	expect(figures[buoys]).toContainEqual({
		...{ type: 'number', name: 'radius', quantity: 'length', minimum: 0.02, maximum: 0.4 }
	});
	expect(got(courseHistory.undo(laid.history)).document).toEqual(before.document);
	const away = courseHistory.perform(laid.history, { type: 'remove', ...laid.ref });
	expect(partsOf(got(away).document, buoys)).toEqual([]);
});

it('is kept in files; those from before it are read without it, and known by the mark they had', async () => {
	expect(courseSchema.parse(JSON.parse(JSON.stringify(course)))).toEqual(course);
	const { [buoys]: none, ...older } = before.document as Course & Record<string, unknown>;
	expect(none).toEqual([]);
	expect(courseSchema.parse(older)).toEqual(before.document);
	expect(markOf(before.document)).toBe(markOf(older as unknown as Course));
	expect(markOf(course)).not.toBe(markOf(before.document));
	const far = { ...course, [buoys]: [{ id: 'buoy-1', at: [1, 1], radius: 9 }] };
	expect(courseSchema.safeParse(far).success).toBe(false);
});

it('is drawn on the floor, in files and on paper, and comes back out of a drawing', () => {
	const { body } = render(CourseDrawing, { props: { course } });
	expect(body).toMatch(/<circle transform="translate\(1,1\)" r="0.2"[^>]*#b5502f/);
	expect(render(PartGlyph, { props: { part: buoys } }).body).toMatch(/d="M12/);
	const svg = writeSvg(course);
	expect(svg).toContain('<title>Buoys</title>');
	expect(got(readOwn(got(readDrawing(svg))))).toEqual(course);
	const moved = svg.replace(/(data-part="buoys"[^>]*cx=")1000/, '$11500');
	expect(partsOf(got(readOwn(got(readDrawing(moved)))), buoys)).toEqual([
		{ id: 'buoy-1', at: [1.5, 1], radius: 0.2 }
	]);
	expect(planSpots(course)).toContainEqual(expect.objectContaining({ part: buoys, number: 1 }));
	expect(materialOf(course).counts).toContainEqual({ part: buoys, count: 1 });
});

it('does not ship', async () => {
	const { partKinds } = await vi.importActual<typeof list>('../../src/core/course/parts/list');
	expect(partNames.filter((part) => !(part in partKinds))).toEqual([buoys]);
});
