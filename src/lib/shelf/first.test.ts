import { expect, it } from 'vitest';
import { fittedKindOf } from '$core/robots/fitted';
import { robotKinds as wholeKinds } from '$core/robots/kinds';
import { canDo } from '$core/robots/robot';
import { sampleRobot } from '$core/robots/robot-document';
import { planOf } from '$core/testing/sample';
import { offersAt, offersFor } from '$lib/words/typed';

const plan = planOf([]);
/** As they come, before anything is fitted. */
const robotKinds = wholeKinds.map((kind) => fittedKindOf(sampleRobot(kind)));

it.each(robotKinds)('$kind offers at First what it can do: six to ten tags', (robot) => {
	const offers = offersAt({ plan, level: 'first', holder: null, robot });
	for (const { definition } of offers) expect(canDo(robot, definition.needs)).toBe(true);
	expect(offers.length).toBeGreaterThanOrEqual(6);
	expect(offers.length).toBeLessThanOrEqual(10);
	expect(offers.some(({ definition }) => definition.drives)).toBe(true);
});

it.each(robotKinds)('$kind comes first, whatever is typed', (robot) => {
	for (const text of ['r', 'go', 'g', 't', 'wheel']) {
		const able = offersFor(text, { plan, level: 'full', holder: null, robot }).map(
			({ definition }) => canDo(robot, definition.needs)
		);
		expect(able).toEqual(able.toSorted((a, b) => Number(b) - Number(a)));
	}
});
