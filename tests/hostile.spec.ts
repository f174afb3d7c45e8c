import { expect, test } from '@playwright/test';
import { go, repeat, right, wait } from '../src/core/testing/sample';
import { hostileHost } from './hostile-host';
import { openPlan } from './helpers';
import { comeIn, hand, pair, run, startServer } from './yard';

/** Hostile messages to the app; `HOSTILE=10000` for the long form. */
const count = Number(process.env.HOSTILE ?? 300);

test('whatever a robot says, the run ends, is kept, and no button stays', async ({ browser }) => {
	test.setTimeout(400_000);
	const host = await hostileHost(count);
	const server = await startServer(undefined, host.address);
	const page = await browser.newPage({ baseURL: server.address });
	const errors: string[] = [];
	page.on('pageerror', (error) => errors.push(String(error)));
	try {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		let runs = 0;
		while (host.said() < count) {
			await openPlan(page, [repeat(3, [go(0.1), right(90), wait(1)])]);
			await run(page);
			runs += 1;
			await expect(page.getByTestId('outcome')).toContainText(/over|halted|lost|stopped/i, {
				timeout: 60_000
			});
			await expect(page.getByRole('button', { name: 'Halt' })).toHaveCount(0);
			await expect(page.getByText('No message has the key')).toHaveCount(0);
			await page.reload();
			await expect(page.getByTestId('outcome'), 'the run was kept').toContainText(
				/over|halted|lost|stopped/i
			);
		}
		expect(runs).toBeGreaterThan(0);
		expect(host.said()).toBe(count);
		expect(errors).toEqual([]);
	} finally {
		await page.close();
		host.close();
		await server.kill();
	}
});
