/**
 * How fast a course desk answers with 1,000 parts, in the production build: from a movement of the
 * pointer to a laid-out page. Run with `npm run bench:editor`; prints, and fails only when nothing
 * happens.
 */
import { expect, test } from '@playwright/test';
import { openDesk, pixelOf } from '../tests/desk';
import { percentiles } from './percentiles';

test('1,000 parts on one course', async ({ page }) => {
	const walls = Array.from({ length: 900 }, (_, i) => {
		const [x, y] = [0.5 + (i % 30) * 0.63, 0.5 + Math.floor(i / 30) * 0.63];
		return { id: `wall-${i}`, from: [x, y], to: [x + 0.4, y], thickness: 0.02 };
	}) as never;
	const tapes = Array.from({ length: 100 }, (_, i) => {
		const y = 0.2 + i * 0.19;
		return {
			...{ id: `tape-${i}`, isClosed: false, radius: 0, width: 0.02, colour: 'red' },
			points: [
				[0.2, y],
				[10, y + 0.05],
				[19, y]
			]
		};
	}) as never;
	await openDesk(page, { size: { width: 20, height: 20 }, walls, tapes });
	const [x, y] = await pixelOf(page, [0.7, 0.5]);
	await page.mouse.click(x, y);
	await expect(page.getByRole('heading', { name: 'wall' })).toBeVisible();
	const times = await page.evaluate(
		async ([x, y]) => {
			const svg = document.querySelector<SVGSVGElement>('[data-testid=desk-floor]')!;
			const measured: Record<string, number[]> = { drag: [], lay: [], zoom: [] };
			const frame = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
			async function time(name: string, act: () => void) {
				const began = performance.now();
				act();
				await Promise.resolve();
				await new Promise((done) => setTimeout(done));
				document.body.getBoundingClientRect();
				measured[name]!.push(performance.now() - began);
				await frame();
			}
			const point = (type: string, dx: number, dy: number) =>
				svg.dispatchEvent(
					new PointerEvent(type, {
						...{ clientX: x! + dx, clientY: y! + dy, pointerId: 1, isPrimary: true },
						...{ bubbles: true, button: 0, buttons: 1 }
					})
				);
			svg.setPointerCapture = () => {};
			const before = document.querySelector('.chosen')!.getAttribute('points');
			point('pointerdown', 0, 0);
			for (let i = 1; i <= 60; i++) await time('drag', () => point('pointermove', i * 3, -i));
			if (document.querySelector('.chosen')!.getAttribute('points') === before)
				throw new Error('Nothing was pulled.');
			point('pointerup', 180, -60);
			const wall = [...document.querySelectorAll<HTMLElement>('.tool')].find(({ innerText }) =>
				/^wall/i.test(innerText.trim())
			)!;
			wall.click();
			point('pointerdown', 40, 40);
			for (let i = 1; i <= 60; i++) await time('lay', () => point('pointermove', 40 + i * 4, 40));
			point('pointerup', 280, 40);
			for (let i = 0; i < 60; i++)
				await time('zoom', () =>
					svg.dispatchEvent(
						new WheelEvent('wheel', {
							...{ deltaY: i < 30 ? -40 : 40, clientX: x!, clientY: y! },
							...{ bubbles: true, cancelable: true }
						})
					)
				);
			return measured;
		},
		[x, y]
	);
	console.log('A course desk with 1,000 parts, milliseconds to a laid-out page:');
	for (const [name, list] of Object.entries(times))
		console.log(`${name.padEnd(6)} ${percentiles(list)}`);
});
