import { expect, it, vi } from 'vitest';
import { courseOf } from '$core/testing/sample';
import { addMessages } from '$lib/i18n';
import type { CourseBench } from './course-bench.svelte';
import { CourseHelp } from './course-help.svelte';

addMessages({ 'course.way.plan.shortest': 'shortest', 'course.way.plan.squared': 'squared' });

/** What was asked for, in order, and what answers it. */
const asked = vi.hoisted(() => [] as { wish: string; answer: (found: unknown) => void }[]);
vi.mock('./looker', () => ({
	startLooker: () => ({
		worker: { terminate: () => {} },
		service: {
			way: (_course: unknown, _kind: string, wish: string) =>
				new Promise((answer) => asked.push({ wish, answer }))
		}
	})
}));

it('a wish that comes while a way is looked for is what is found', async () => {
	const help = new CourseHelp({ course: courseOf() } as CourseBench);
	const first = help.search();
	help.wish = 'squared';
	const second = help.wishAnew();
	expect(asked.map(({ wish }) => wish)).toEqual(['shortest', 'squared']);
	asked[0]!.answer({ way: 'shortest' });
	await first;
	expect(help.found).toBeUndefined();
	expect(help.isSearching).toBe(true);
	asked[1]!.answer({ way: 'squared' });
	await second;
	expect(help.found).toEqual({ way: 'squared' });
	expect(help.isSearching).toBe(false);
});
