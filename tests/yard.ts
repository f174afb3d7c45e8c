/** The yard of the tests: what hands do there, and what somebody sees who stands there. */
import { execFileSync, fork } from 'node:child_process';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import type { Deed } from '../src/standin/yard';
import { freePort } from './ports';

const port = process.env.TEST_YARD;
export const yard = `http://localhost:${port}`;

export interface Seen {
	readonly id: string;
	readonly signs?: readonly number[];
	readonly with?: string;
	readonly at: readonly [number, number];
	readonly bearing: number;
	readonly room: string;
	readonly name: string;
	readonly power: string;
	readonly columns: Readonly<Record<string, number>>;
	/** Of its grid, from the top left, while it shows a picture. */
	readonly lamps?: readonly string[];
	/** What is heard of it. */
	readonly sounds?: { readonly pitch: number; readonly name?: string };
	readonly holds: readonly { place: number; name: string }[];
}

export async function look(robot: string): Promise<Seen> {
	const sight = (await (await fetch(`${yard}/look`)).json()) as { robots: Seen[] };
	return sight.robots.find(({ id }) => id === robot)!;
}

export async function hand(deed: Deed): Promise<void> {
	const answer = await fetch(`${yard}/hands`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(deed)
	});
	expect(answer.ok).toBe(true);
}

/** The yard's process ends at once; the demo opens it again. */
export const killYard = (): void =>
	void execFileSync('pkill', ['-KILL', '-f', `standin/main.ts.*--port ${port} `]);

/**
 * One more server of the app with the same robots, that a test may kill.
 *
 * @param wanted the address of one that is gone, to start it again
 * @param robots where its robots are
 */
export async function startServer(wanted?: string, robots = `ws://127.0.0.1:${port}`) {
	const own = wanted ? Number(new URL(wanted).port) : await freePort();
	const server = fork(
		join(import.meta.dirname, '..', 'server', 'serve.mjs'),
		['--port', String(own)],
		{
			env: {
				...process.env,
				LANTERN_DATA: join(tmpdir(), `lantern-step-e2e-${own}`),
				LANTERN_DEMO: '1',
				LANTERN_ROBOTS: robots
			}
		}
	);
	await once(server, 'message');
	const kill = async (): Promise<void> => {
		server.kill('SIGKILL');
		await once(server, 'exit');
	};
	return { address: `http://localhost:${own}/`, kill };
}

export async function comeIn(page: Page, name = 'Maren'): Promise<void> {
	await page.goto('/robots');
	// Robots are listed once the page listens: what is pressed before is lost.
	await expect(page.locator('[data-robot]').first()).toBeVisible();
	await page.getByRole('button', { name, exact: true }).click();
	await expect(page.getByText('Who is here?')).toBeHidden();
}

export const robotCard = (page: Page, robot: string) => page.locator(`[data-robot="${robot}"]`);

/** Asks for a robot, and tells what it shows. */
export async function pair(page: Page, robot: string, name: string): Promise<void> {
	await page.getByRole('button', { name: `Pair with ${name}`, exact: true }).click();
	await tellSigns(page, robot);
	await expect(robotCard(page, robot)).toContainText('Obeys you.');
}

export async function tellSigns(page: Page, robot: string, by = 0): Promise<void> {
	// What is typed before the dialog has the keyboard is lost.
	await expect(page.getByRole('dialog').getByRole('radio').and(page.locator(':focus'))).toHaveCount(
		1
	);
	const { signs } = await look(robot);
	await page.keyboard.type(signs!.map((sign) => ((sign - 1 + by) % 4) + 1).join(''));
	await page.keyboard.press('Enter');
}

/** Does what is still missing before a run, and runs. */
export async function run(page: Page): Promise<void> {
	await page.getByRole('button', { name: 'Run on the robot' }).click();
	await readyToRun(page);
	await page.getByRole('dialog').getByRole('button', { name: 'Run', exact: true }).click();
}

/** Does all that a button in the list does. */
export async function readyToRun(page: Page): Promise<void> {
	const list = page.getByRole('dialog');
	const begin = list.getByRole('button', { name: 'Run', exact: true });
	await expect(begin).toBeVisible();
	await expect(async () => {
		for (const remedy of ['It stands there', 'There is room'])
			for (const button of await list.getByRole('button', { name: remedy }).all())
				await button.click({ timeout: 500 });
		await expect(begin).toBeEnabled({ timeout: 100 });
	}).toPass({ timeout: 20_000 });
}

export const outcome = (page: Page) => page.getByTestId('outcome');
export const isOver = (page: Page) =>
	expect(outcome(page)).toContainText('is over', { timeout: 45_000 });

/** It has come so far from where it was, metres. */
export async function hasGone(robot: string, far: number): Promise<void> {
	const from = (await look(robot)).at;
	const away = ({ at: [x, y] }: Seen) => Math.hypot(x - from[0], y - from[1]);
	await expect.poll(async () => away(await look(robot)), { timeout: 20_000 }).toBeGreaterThan(far);
}

/** It neither rolls nor turns. */
export async function stands(robot: string): Promise<void> {
	let before = '';
	await expect
		.poll(async () => {
			const { at, bearing } = await look(robot);
			// Its gyro drifts, and with it what it holds by it.
			const now = [...at.map((metres) => metres.toFixed(3)), Math.round(bearing)].join();
			const isSame = now === before;
			before = now;
			return isSame;
		})
		.toBe(true);
}

/** Degrees between its front and a bearing. */
export const turnedFrom = async (robot: string, bearing: number): Promise<number> =>
	Math.abs((((await look(robot)).bearing - bearing + 540) % 360) - 180);
