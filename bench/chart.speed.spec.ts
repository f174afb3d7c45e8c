/**
 * How fast a chart of eight readings of a quarter of an hour opens and is scrubbed, in the production
 * build. Run with `npm run bench:editor`; prints, and fails only when nothing happens.
 */
import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { go, planOf, right, step } from '../src/core/testing/sample';
import { openPlan } from '../tests/helpers';
import { percentiles } from './percentiles';

const seconds = 900;

test('eight readings of 15 minutes', async ({ page }) => {
	const folder = mkdtempSync(join(tmpdir(), 'lantern-step-chart-'));
	const [plan, attempt] = [join(folder, 'plan.json'), join(folder, 'attempt.json')];
	writeFileSync(plan, JSON.stringify(planOf([step('forever', {}, [go(0.3), right(90)])])));
	execFileSync('npm', [
		...['run', '-s', 'mission', '--', 'attempt', '--plan', plan, '--attempt', attempt],
		...['--course', 'samples/courses/open-quay.json', '--limit', String(seconds)]
	]);
	await openPlan(page, [go(0.3)]);
	await page.getByRole('button', { name: 'Attempts', exact: true }).click();
	await page.getByTestId('attempt-file').setInputFiles(attempt);
	await expect(page.locator('[data-attempt]')).toHaveAttribute('aria-current', 'true');
	rmSync(folder, { recursive: true });
	await page.getByRole('button', { name: 'Over time', exact: true }).click();
	const leaf = page.getByRole('region', { name: 'Over time' });
	await leaf.getByText('Choose figures').click();
	const choices = leaf.getByRole('checkbox');
	for (let choice = 0; (await leaf.locator('[data-series]').count()) < 8; choice++)
		await choices.nth(choice).check();
	await leaf.getByText('Choose figures').click();

	const measured = await page.evaluate(async () => {
		const frame = () => new Promise<number>((done) => requestAnimationFrame(done));
		const slider = () => document.querySelector<HTMLElement>('.leaf [role=slider]');
		const button = document.querySelector<HTMLElement>('button[aria-label="Over time"]')!;
		const opened: number[] = [];
		for (let time = 0; time < 7; time++) {
			button.click();
			while (slider()) await frame();
			const began = performance.now();
			button.click();
			while (!slider()) await frame();
			await frame();
			opened.push(performance.now() - began);
		}
		const box = slider()!.getBoundingClientRect();
		const at = (type: string, i: number) =>
			slider()!.dispatchEvent(
				new PointerEvent(type, {
					...{ bubbles: true, cancelable: true, pointerId: 1, buttons: 1, isPrimary: true },
					...{ clientX: box.x + 60 + ((i * 4) % (box.width - 80)), clientY: box.y + 60 }
				})
			);
		const scrubbed: number[] = [];
		at('pointerdown', 0);
		let last = await frame();
		for (let i = 0; i < 240; i++) {
			at('pointermove', i);
			const now = await frame();
			scrubbed.push(now - last);
			last = now;
		}
		at('pointerup', 240);
		return { opened, scrubbed, moment: Number(slider()!.ariaValueNow) };
	});
	console.log(`15 minutes of eight readings opened: ${percentiles(measured.opened)}`);
	console.log(`scrubbed, frame to frame: ${percentiles(measured.scrubbed)}`);
	expect(measured.moment).toBeGreaterThan(1);
});
