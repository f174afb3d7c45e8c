/**
 * How closely the ghost of a new way follows a hand that pulls the end of a leg in each frame, in the
 * production build. Run with `npm run bench:editor`; prints, and fails only when nothing happens.
 */
import { expect, test } from '@playwright/test';
import { go, right } from '../src/core/testing/sample';
import { atRest, openPlan } from '../tests/helpers';
import { percentiles } from './percentiles';

const square = () => [go(0.5), right(90), go(0.4), right(90)];

test('the end of a leg is pulled', async ({ page }) => {
	await openPlan(page, [...square(), ...square(), ...square()]);
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await page.getByRole('button', { name: 'Legs', exact: true }).click();
	await page.locator('[data-leg]').nth(6).click();
	const grip = page.getByTestId('nudge-grip');
	await atRest(grip);
	const box = (await grip.boundingBox())!;
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x + 3, y + 3);
	await expect(page.getByTestId('nudged')).toBeVisible();
	// A finger that moves in each frame, as a real one does; the browser's own moves come no faster than they are driven.
	const found = await grip.evaluate(
		async (grip, [x, y]) => {
			const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
			const ghost = () =>
				document.querySelector('[data-testid=nudged] polyline')?.getAttribute('points') ?? '';
			const apart: number[] = [];
			let [shown, since] = [ghost(), await frame()];
			for (let i = 0; i < 400; i++) {
				const [clientX, clientY] = [x! + 60 * Math.sin(i / 12), y! + 60 * (1 - Math.cos(i / 12))];
				grip.dispatchEvent(
					new PointerEvent('pointermove', { pointerId: 1, clientX, clientY, bubbles: true })
				);
				const now = await frame();
				if (ghost() === shown) continue;
				apart.push(now - since);
				[shown, since] = [ghost(), now];
			}
			return apart;
		},
		[x, y]
	);
	await page.mouse.up();
	console.log(`ghosts apart: ${percentiles(found)}, ${found.length} of 400 frames`);
	expect(found.length).toBeGreaterThan(40);
});
