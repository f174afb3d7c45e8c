/** Takes the pictures of docs/screenshots from the demo data. Run with `npm run pictures`. */
import { expect, test, type Page } from '@playwright/test';
import { mouse } from './desk';
import { tag } from './helpers';
import { comeIn, hand, pair, run } from './yard';

const shot = (page: Page, name: string) =>
	page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });

async function open(page: Page, plan: string) {
	await page.goto(`/plans/${plan}`);
	await expect(tag(page, 'When Run is pressed')).toBeVisible();
}

async function rehearse(page: Page, speed: string) {
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: speed });
	await page.getByRole('button', { name: /^Rehearse( again)?$/ }).click();
	await expect(page.getByRole('button', { name: 'Halt' })).toBeVisible();
}

test('home', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Maren', exact: true }).click();
	await expect(page.getByRole('button', { name: 'Here: Maren' })).toBeVisible();
	await shot(page, 'home');
});

/** The level and the shelf, as a person at this device has chosen them. */
const prefer = (page: Page, choices: { level: string; isShelfPinned?: boolean }) =>
	page.evaluate(
		(text) => localStorage.setItem('lantern-step.preferences', text),
		JSON.stringify(choices)
	);

async function openAt(page: Page, plan: string, level: string) {
	await page.goto('/');
	await prefer(page, { level });
	await open(page, plan);
	// The checks come a moment after the plan.
	await page.waitForTimeout(1200);
}

test('workbench running, and with its shelf', async ({ page }) => {
	await open(page, 'lock-keepers-square');
	await rehearse(page, '4 ×');
	await expect(page.getByText(/^1[0-9]\.\d of/)).toBeVisible();
	await shot(page, 'workbench-running');
	await page.getByRole('button', { name: 'Halt' }).click();
	await tag(page, 'Add a step').first().click();
	await shot(page, 'shelf');
});

test('a routine, dark', async ({ page }) => {
	await page.emulateMedia({ colorScheme: 'dark' });
	await openAt(page, 'along-the-reeds', 'full');
	await rehearse(page, '8 ×');
	await expect(page.getByText(/^[23][0-9]\.\d of/)).toBeVisible();
	await page.locator('.scroller').evaluate((scroller) => scroller.scrollTo(0, 760));
	await page.waitForTimeout(300);
	await shot(page, 'routine-dark');
});

test('a moving picture on the loom', async ({ page }) => {
	await openAt(page, 'first-lamp', 'further');
	await tag(page, 'Add a step').first().click();
	await page.getByRole('combobox', { name: 'Type' }).fill('film');
	await page.keyboard.press('Enter');
	await page.getByRole('button', { name: 'Fit it to the robot' }).click();
	await page.getByRole('button', { name: /^Moving picture: / }).click();
	await page.getByRole('radio', { name: /^cloth 2/ }).click();
	await page.getByRole('button', { name: 'Pause' }).click();
	await expect(page.getByText('Nothing is on the shelf yet.')).toBeAttached();
	await shot(page, 'loom');
	await page.keyboard.press('Escape');
	for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo' }).click();
});

test('a melody on the staff, and what it sounds in time', async ({ page }) => {
	await openAt(page, 'a-tune-for-the-ferry', 'further');
	await rehearse(page, '8 ×');
	await expect(page.getByTestId('outcome')).toContainText('Reached');
	await page.getByRole('button', { name: /^Notes: / }).click();
	await page.getByRole('radio', { name: /^Note 3 of 6/ }).focus();
	await page.keyboard.press('ArrowLeft');
	await shot(page, 'staff');
	await page.keyboard.press('Escape');
});

test('on a phone', async ({ page }) => {
	await page.setViewportSize({ width: 390, height: 844 });
	await openAt(page, 'reed-maze-inner', 'first');
	await shot(page, 'phone-first');
	await prefer(page, { level: 'further' });
	await page.emulateMedia({ colorScheme: 'dark' });
	await open(page, 'four-signal-lamps');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '4 ×' });
	await expect(page.getByText(/^1[56]\.\d s$/)).toBeVisible();
	await shot(page, 'phone-floor');
});

/** At the end of an attempt. */
async function rehearseToEnd(page: Page) {
	await rehearse(page, '8 ×');
	await expect(page.getByRole('button', { name: 'Halt' })).toHaveCount(0);
}

test('the legs of an attempt, the same over time, its spread, and attempts over each other, dark', async ({
	page
}) => {
	await openAt(page, 'net-loft-zigzag', 'further');
	await page.getByLabel('How the robot behaves').selectOption('worn');
	await rehearseToEnd(page);
	await page.getByRole('button', { name: 'Legs', exact: true }).click();
	await expect(page.getByText('intended', { exact: true })).toBeVisible();
	await page.locator('[data-leg]').nth(2).click();
	await page.waitForTimeout(300);
	await shot(page, 'legs');
	await page.getByRole('button', { name: 'Over time', exact: true }).click();
	await page.getByText('Choose figures').click();
	await page.getByLabel('distance ahead').check();
	await page.getByText('Choose figures').click();
	await page.getByRole('slider', { name: 'The moment that is shown' }).hover();
	await page.mouse.down();
	await page.mouse.up();
	await shot(page, 'over-time');
	await page.getByRole('button', { name: 'Spread', exact: true }).click();
	await expect(page.getByRole('button', { name: 'Rehearse 200 times' })).toBeVisible();
	await page.getByRole('button', { name: 'What would help most?' }).click();
	await expect(page.locator('[data-advice]').first()).toBeVisible({ timeout: 60_000 });
	await shot(page, 'spread');
	await page.getByRole('button', { name: 'Model', exact: true }).click();
	await page.getByText('Measure one move').click();
	await page.getByLabel('Which move').selectOption('goFor');
	for (const [power, says] of [
		['20', '17'],
		['50', '47'],
		['80', '78']
	] as const) {
		await page.getByLabel('Power in percent').fill(power);
		await page.getByLabel('Power in percent').blur();
		await page.getByLabel('The tape says').fill(says);
		await page.getByRole('button', { name: 'Note it' }).click();
	}
	await page.getByRole('button', { name: 'Find out' }).click();
	await expect(page.getByTestId('next-try')).toBeVisible({ timeout: 60_000 });
	await page.getByTestId('speed-line').scrollIntoViewIfNeeded();
	await shot(page, 'model');
	await page.getByRole('button', { name: 'Forget it' }).click();
	for (let i = 0; i < 3; i++) await rehearseToEnd(page);
	await page.emulateMedia({ colorScheme: 'dark' });
	await page.getByRole('button', { name: 'Attempts', exact: true }).click();
	const lay = page.getByRole('button', { name: 'Lay it over the floor' });
	await expect(lay).toHaveCount(4);
	for (let left = 3; left > 0; left--) {
		await lay.last().click();
		await expect(lay).toHaveCount(left);
	}
	await shot(page, 'attempts-dark');
});

test('a tablet upright', async ({ page }) => {
	await page.setViewportSize({ width: 768, height: 1024 });
	await openAt(page, 'reed-maze-inner', 'further');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await page.getByLabel('Speed', { exact: true }).selectOption({ label: '8 ×' });
	await expect(page.getByTestId('outcome')).toContainText('Reached the finish');
	await shot(page, 'tablet');
});

test('robots near', async ({ page }) => {
	await comeIn(page);
	await pair(page, 'tallow', 'Tallow');
	await page.waitForTimeout(600);
	await shot(page, 'robots');
});

test('a run, with what the robot sees', async ({ page }) => {
	await comeIn(page);
	await pair(page, 'tallow', 'Tallow');
	await hand({ do: 'carry', robot: 'tallow', to: 'reed-maze' });
	await open(page, 'reed-maze-inner');
	await page.getByRole('button', { name: 'What the robot sees' }).click();
	await run(page);
	await expect(page.getByText(/^8\.\d of/)).toBeVisible({ timeout: 20_000 });
	await shot(page, 'run');
	await page.getByRole('button', { name: 'Halt' }).click();
});

test('a course desk, a maze, and a drawing taken in', async ({ page }) => {
	await page.goto('/courses/twin-quays');
	const hand = mouse(page);
	await hand.choose('tape');
	await hand.lay([[1, 0.2]]);
	await page.getByLabel('Pace it out').fill('60, right 90, 40, left 45, 50');
	await expect(page.locator('polyline.preview')).toHaveCount(1);
	await shot(page, 'course-desk');
	await page.goto('/courses/slanted-reeds');
	await page.getByRole('button', { name: 'Make a maze' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.locator('select').first().selectOption('hexagon');
	await dialog.getByLabel('Number of this maze').fill('7');
	await page.waitForTimeout(800);
	await shot(page, 'maze');
	await page.keyboard.press('Escape');
	await page.getByTestId('drawing-file').setInputFiles({
		name: 'harbour.svg',
		mimeType: 'image/svg+xml',
		buffer: Buffer.from(
			'<svg xmlns="http://www.w3.org/2000/svg" width="2400mm" height="1600mm" viewBox="0 0 240 160">' +
				'<g id="basin"><path d="M10 10h100v60q0 20 20 20h90v60H10z" fill="#3a72c4"/></g>' +
				'<g id="quay"><path d="M20 20H120V70C120 90 140 80 220 80" fill="none" stroke="#111" stroke-width="3"/></g>' +
				'<g id="buoy"><circle cx="60" cy="110" r="25" fill="none" stroke="#d84a3a" stroke-width="2"/></g></svg>'
		)
	});
	await expect(dialog.getByText('“harbour.svg”')).toBeVisible();
	// What it becomes is drawn beside the choices.
	await expect(dialog.getByRole('button', { name: 'Lay it on the floor' })).toBeEnabled();
	await shot(page, 'drawing');
});
