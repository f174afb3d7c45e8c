/** A moving picture and a melody, made by every hand, on robots that run. */
import { expect, type Locator, type Page } from '@playwright/test';
import { ball } from '../../src/core/robots/ball';
import { midiOf } from '../../src/core/sounds/midi';
import { fullStep, go, planFor, planOf, step } from '../../src/core/testing/sample';
import { openPlan, save } from '../helpers';
import { byKeys, byMouse, byTouch, showTrail, type Press } from '../lights-and-sounds';
import { comeIn, hand, isOver, look, pair, readyToRun, stands } from '../yard';
import { test } from '../test';

const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const everyHand: Readonly<Record<string, readonly [Press, object]>> = {
	mouse: [byMouse, {}],
	keys: [byKeys, {}],
	touch: [byTouch, phone]
};

async function begin(page: Page, press: Press): Promise<void> {
	await readyToRun(page);
	await press(page.getByRole('dialog').getByRole('button', { name: 'Run', exact: true }));
}

function journeys(press: Press): void {
	const button = (from: Page | Locator, name: string | RegExp) =>
		press(from.getByRole('button', { name }));

	test('a moving picture on a live Bobbin', async ({ page }) => {
		await comeIn(page);
		await pair(page, 'rushlight', 'Rushlight');
		await hand({ do: 'carry', robot: 'rushlight', to: 'open-quay' });
		const plays = fullStep('playPictures', { then: 'untilTold' });
		const roll = step('rollFar', { bearing: 0, distance: 0.4, speed: 0.3, then: 'waitStill' });
		const id = await openPlan(page, [go(0.1)]);
		const plan = planFor(ball, planOf([plays, roll]));
		await page.request.put(`/api/documents/${id}`, { data: save(plan, 1) });
		await page.reload();
		await showTrail(page, press);
		await button(page, /^Moving picture: 2/);
		await button(page, 'Another cloth');
		await press(page.getByRole('gridcell', { name: 'row 1, lamp 1:' }));
		await page.keyboard.press('Escape');
		await expect(page.getByRole('button', { name: /^Moving picture: 3/ })).toBeVisible();
		await button(page, 'Run on the robot');
		const list = page.getByRole('dialog');
		for (const name of ['It stands there', 'Line up', 'Go and come back', 'That way'])
			await button(list, name);
		await stands('rushlight');
		await begin(page, press);
		await expect.poll(async () => (await look('rushlight')).lamps).toContain('#ffb020');
		await isOver(page);
	});

	test('a melody from a file, and a sound that the robot lacked, on a live Skiff', async ({
		page
	}) => {
		await comeIn(page);
		await pair(page, 'tallow', 'Tallow');
		await hand({ do: 'carry', robot: 'tallow', to: 'open-quay' });
		await openPlan(page, [
			step('melody', { notes: 'C4', tempo: 120, then: 'wait' }),
			step('clip', { clip: 'fogHorn', then: 'wait' }),
			go(0.1)
		]);
		await showTrail(page, press);
		await button(page, 'Notes: C4. Change');
		await expect(page.locator('[data-first-focus]')).toBeFocused();
		const choosing = page.waitForEvent('filechooser');
		await button(page, 'Open a MIDI file');
		const buffer = Buffer.from(midiOf([{ name: 'A5', beats: 2 }], 60));
		await (await choosing).setFiles({ name: 'ferry.mid', mimeType: 'audio/midi', buffer });
		await expect(page.getByText('ferry.mid is open, at 60 beats a minute.')).toBeVisible();
		await page.keyboard.press('Escape');
		await button(page, 'Run on the robot');
		await begin(page, press);
		await expect.poll(async () => (await look('tallow')).sounds?.pitch).toBe(880);
		await expect.poll(async () => (await look('tallow')).sounds?.name).toBe('fogHorn');
		await isOver(page);
	});
}

export function lights(): void {
	for (const [name, [press, screen]] of Object.entries(everyHand))
		test.describe(`by ${name}`, () => {
			test.use(screen);
			journeys(press);
		});
}
