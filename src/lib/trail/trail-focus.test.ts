import { expect, it } from 'vitest';
import type { Row } from './rows';
import { TrailFocus } from './trail-focus.svelte';
import type { VisibleRows } from './visible-rows.svelte';

it('the row is the current one on which something has the keyboard, such as one of its values', () => {
	const keys = ['head', 's1', 'bud'];
	const focus = new TrailFocus({
		rows: keys.map((key) => ({ key }) as Row),
		indexOf: new Map(keys.map((key, index) => [key, index])),
		visible: {} as VisibleRows,
		usualKey: () => 'head',
		unfoldAround: () => {}
	});
	expect(focus.current).toBe('head');
	const on = (id: string | null) =>
		focus.entered({ target: { closest: () => id && { id } } } as unknown as FocusEvent);
	on('row-s1');
	expect([focus.current, focus.row?.key]).toEqual(['s1', 's1']);
	on(null);
	expect(focus.current).toBe('s1');
});
