/** Robots of every kind, of boards and of ill will. */
import { expect } from '@playwright/test';
import { lampGrid } from '../../src/core/devices/lampGrid/device';
import { canDo } from '../../src/core/robots/robot';
import { fittedKindOf } from '../../src/core/robots/fitted';
import { robotKinds } from '../../src/core/robots/kinds';
import { readFace, writeFace } from '../../src/core/pictures/face';
import { faceRobot } from '../../src/core/robots/face';
import { sampleRobot } from '../../src/core/robots/robot-document';
import {
	fullStep,
	go,
	planFor,
	planOf,
	repeat,
	right,
	step,
	wait
} from '../../src/core/testing/sample';
import { hostileHost } from '../hostile-host';
import { isSaved, openPlan, save, tag } from '../helpers';
import {
	comeIn,
	hand,
	isOver,
	look,
	outcome,
	pair,
	robotCard,
	run,
	stands,
	startServer
} from '../yard';
import { test } from '../test';

const names: Readonly<Record<string, readonly [id: string, name: string]>> = {
	skiff: ['tallow', 'Tallow'],
	skiffLite: ['wick', 'Wick'],
	ball: ['rushlight', 'Rushlight'],
	drone: ['taper', 'Taper'],
	rail: ['dory', 'Dory'],
	pinboard: ['snuffer', 'Snuffer'],
	face: ['vesper', 'Vesper']
};

/** Hostile messages to the app; `HOSTILE=10000` for the long form. */
const count = Number(process.env.HOSTILE ?? 300);

export function kinds(): void {
	test('every kind runs live', async ({ page }) => {
		test.setTimeout(180_000);
		await comeIn(page);
		for (const kind of robotKinds) {
			const [robot, name] = names[kind.kind]!;
			await hand({ do: 'wake', robot });
			await expect.poll(async () => (await look(robot)).power, { timeout: 10_000 }).toBe('on');
			await page.goto('/robots');
			await pair(page, robot, name);
			const course = kind.kind === 'rail' ? 'ferry-rail' : 'open-quay';
			await hand({ do: 'carry', robot, to: course });
			const start = step('goFor', {
				duration: 0.8,
				speed: 0.4,
				ending: 'brake',
				then: 'waitStill'
			});
			const shines = canDo(fittedKindOf(sampleRobot(kind)), [lampGrid])
				? [fullStep('playPictures', { then: 'untilTold' })]
				: [];
			const steps =
				kind.kind === 'drone' ? [step('takeOff'), start, step('land')] : [...shines, start];
			const id = await openPlan(page, [right(0)], course);
			await page.request.put(`/api/documents/${id}`, {
				data: {
					...save(planFor(kind, planOf(steps)), 1),
					bench: { courseId: course, variation: 'classroom', attempts: [] }
				}
			});
			await page.reload();
			await expect(tag(page, 'When Run is pressed')).toBeVisible();
			await page.getByRole('button', { name: 'Run on the robot' }).click();
			const list = page.getByRole('dialog');
			await list.getByRole('button', { name: 'It stands there' }).click();
			if (kind.isRound) {
				await list.getByRole('button', { name: 'Line up' }).click();
				await list.getByRole('button', { name: 'Go and come back' }).click();
				await list.getByRole('button', { name: 'That way' }).click();
				await stands(robot);
			}
			const before = await look(robot);
			if (kind.kind === 'drone') await list.getByRole('button', { name: 'There is room' }).click();
			await list.getByRole('button', { name: 'Run', exact: true }).click();
			if (kind.kind === 'drone')
				await expect(page.getByRole('button', { name: 'Cut motors' })).toBeVisible();
			await isOver(page);
			const after = await look(robot);
			const far = Math.hypot(after.at[0] - before.at[0], after.at[1] - before.at[1]);
			expect(far, kind.kind).toBeGreaterThan(0.02);
			if (shines.length > 0) expect(after.lamps).toContain('#ffb020');
			await page.goto('/robots');
			await robotCard(page, robot).getByRole('button', { name: 'More' }).click();
			await page.getByRole('menuitem', { name: 'Forget' }).click();
			// Nothing is to land on it.
			await hand({ do: 'carry', robot, to: 'shed' });
		}
	});

	test('a live Mimic has a face of its own, and speaks when it hears its word', async ({
		page
	}) => {
		await comeIn(page);
		await hand({ do: 'carry', robot: 'vesper', to: 'open-quay' });
		await pair(page, 'vesper', 'Vesper');
		const id = await openPlan(page, [go(0.1)]);
		const [main] = planOf([wait(20)]).chains;
		// Long enough to be seen.
		const text = 'Good evening to all who walk along the quay with a lamp';
		const steps = [
			fullStep('face', { face: writeFace(readFace('glad')!) }),
			fullStep('say', { text })
		];
		const heard = { id: 'h', trigger: step('whenHears', { word: 'ahoy' }), steps };
		const plan = planFor(faceRobot, { ...planOf([]), chains: [main!, heard] });
		await page.request.put(`/api/documents/${id}`, { data: save(plan, 1) });
		await page.reload();
		await run(page);
		await expect(tag(page, /Step 1/)).toContainText('running now');
		await hand({ do: 'say', robot: 'vesper', word: 'Ahoy' });
		await expect.poll(async () => (await look('vesper')).lamps?.length).toBe(256);
		await expect(page.locator('.caption')).toHaveText(`Vesper: “${text}”`);
		await page.getByRole('button', { name: 'Halt' }).click();
		await expect(outcome(page)).toContainText('Halted');
	});

	test('a button board of one’s own, with the model and with the robot', async ({ page }) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		const id = await openPlan(page, [go(0.3)]);
		await page.getByRole('button', { name: /^Robot/ }).click();
		await page.getByRole('button', { name: 'Button board' }).click();
		const board = page.getByRole('dialog', { name: 'Button board' });
		await board.getByRole('button', { name: 'Button', exact: true }).click();
		await board.getByLabel('Says').fill('Out to the lamp');
		await board.getByRole('button', { name: 'Stick', exact: true }).click();
		await board.getByRole('button', { name: 'Move Stick back' }).click();
		const things = board.getByRole('listitem');
		await expect(things.first()).toContainText('Stick');
		// And by the mouse, the other way again.
		await expect(things.locator('[data-can-drag]')).toHaveCount(2);
		const grip = (await things.last().locator('strong').boundingBox())!;
		const onto = (await things.first().boundingBox())!;
		await page.mouse.move(grip.x + 40, grip.y + 8);
		await page.mouse.down();
		await page.mouse.move(grip.x + 40, grip.y - 8, { steps: 3 });
		await page.mouse.move(onto.x + onto.width / 2, onto.y + 12, { steps: 5 });
		await page.mouse.up();
		await expect(things.first()).toContainText('Out to the lamp');
		await board.getByRole('button', { name: 'Use it' }).click();
		await board.getByRole('button', { name: 'Out to the lamp' }).click();
		await expect(page.getByRole('treeitem').filter({ hasText: 'running now' })).toHaveCount(1);
		await expect(tag(page, /Step 1/)).not.toContainText('running now');
		await page.getByRole('button', { name: 'Halt' }).click();
		await expect(outcome(page)).toContainText('Halted');
		await board.getByLabel('Works with').selectOption('Tallow');
		await board.getByRole('button', { name: 'Out to the lamp' }).click();
		await page.getByRole('button', { name: 'It stands there' }).click();
		await page.getByRole('dialog', { name: 'All is there' }).press('Escape');
		await board.getByRole('button', { name: 'Out to the lamp' }).click();
		await expect.poll(async () => (await look('tallow')).at[1]).toBeGreaterThan(0.55);
		await board.getByRole('group', { name: /Stick/ }).focus();
		await page.keyboard.down('ArrowDown');
		await expect.poll(async () => (await look('tallow')).at[1]).toBeLessThan(0.5);
		await page.keyboard.up('ArrowDown');
		await expect
			.poll(async () => Math.abs((await look('tallow')).columns.speed!))
			.toBeLessThan(0.02);
		await isSaved(page);
		const kept = await (await page.request.get(`/api/documents/${id}`)).json();
		expect(kept.board.map(({ type }: { type: string }) => type)).toEqual(['button', 'stick']);
	});

	test('whatever a robot says, the run ends, is kept, and no button stays', async ({ browser }) => {
		test.setTimeout(300_000 + count * 100);
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
}
