import { describe, expect, it } from 'vitest';
import { courseSheet as courseKeys } from '$lib/course/keys';
import '$lib/course/words';
import '$lib/i18n';
import { hasMessage } from '$lib/i18n/messages';
import { planSheet as planKeys } from './keys';

describe.each(Object.entries({ plan: planKeys, course: courseKeys }))(
	'keys of a %s',
	(_, sheet) => {
		it('have words', () => {
			for (const { group, shortcuts } of sheet)
				for (const key of [`shortcuts.${group}`, ...Object.values(shortcuts).map((s) => s.action)])
					expect(hasMessage(key), key).toBe(true);
		});

		it('mean one thing in each group', () => {
			for (const { group, shortcuts } of sheet) {
				const all = Object.values(shortcuts).flatMap(({ keys, also = [] }) => [...keys, ...also]);
				expect(new Set(all).size, group).toBe(all.length);
			}
		});
	}
);
