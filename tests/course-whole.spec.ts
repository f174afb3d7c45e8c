/** Whole courses: made at home, looked at for gaps and ways, mazes, and files that go out and come in. */
import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import type { Course } from '../src/core/course/course';
import { planSchema } from '../src/core/plan/plan';
import { violations } from './axe';
import { choose } from './helpers';
import { courseOn, mouse, openDesk, putAway } from './desk';
import { test } from './test';
import { points } from '../src/core/testing/sample';

test.afterEach(({ request }) => putAway(request));

test('a course is made at home, opened on its desk, and has nothing that axe finds', async ({
	page
}) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Maren', exact: true }).click();
	await page.getByRole('button', { name: 'New course' }).click();
	await page.getByLabel('Name of the course').fill('Lamp yard by the lock');
	await page.getByLabel('Name of the course').press('Enter');
	await mouse(page).choose('wall');
	await mouse(page).lay(points('0.5,0.5 0.5,1'));
	expect(await violations(page)).toEqual([]);
	await expect(page.getByTestId('saved-state')).toHaveAttribute('data-state', 'saved');
	await page.getByRole('link', { name: 'Plans and courses' }).click();
	await choose(page, 'Lamp yard by the lock', 'New plan here');
	await expect(page.getByRole('combobox', { name: 'Course' })).toContainText(
		'Lamp yard by the lock'
	);
	const plan = new URL(page.url()).pathname;
	// It is used now: that is shown, and said when it goes; the plan goes on running on it.
	await page.goto('/');
	await choose(page, 'Lamp yard by the lock', 'Where it is used');
	await expect(page.getByRole('dialog').getByRole('link')).toHaveAttribute('href', plan);
	await page.keyboard.press('Escape');
	await choose(page, 'Lamp yard by the lock', 'Delete');
	await expect(page.getByRole('status')).toContainText('One plan is tried on it, and still runs');
	await page.goto(plan);
	await expect(page.getByRole('combobox', { name: 'Course' })).toContainText(
		'Lamp yard by the lock'
	);
	await expect(page.getByRole('region', { name: /Lamp yard by the lock/ })).toBeVisible();
});

test('a gap too narrow is named and mended; the shortest way becomes a plan, tried here and swapped', async ({
	page
}) => {
	const crate = { id: 'crate-1', bearing: 0, width: 0.12, depth: 0.12, mass: 0.2 };
	const id = await openDesk(page, {
		starts: [{ at: [0.3, 0.3], bearing: 0 }],
		finish: { at: [1.7, 1.2], radius: 0.15 },
		crates: [{ ...crate, at: [1.15, 0.75] }] as Course['crates']
	});
	const hand = mouse(page);
	await hand.choose('wall');
	await hand.lay(points('1,0 1,1'));
	await hand.end();
	await expect(
		page.getByText(/Only 8 cm lie free here; this robot needs 1\d(\.\d)? cm/)
	).toBeVisible();
	await page.getByRole('button', { name: 'Move the crate away' }).click();
	await expect(page.getByText(/lie free here/)).toHaveCount(0);
	await page.getByRole('button', { name: 'Find a way' }).click();
	const way = page.getByTestId('way');
	await expect(way).toBeVisible();
	const shortest = await way.getAttribute('points');
	const wish = page.getByRole('combobox', { name: 'What way' });
	await wish.selectOption('Through the middle, right angles only');
	await expect(way).not.toHaveAttribute('points', shortest!);
	await wish.selectOption('The shortest');
	await expect(way).toHaveAttribute('points', shortest!);
	await expect(page.getByText(/^\d+(\.\d)? cm, (\d|one) turns?\./)).toBeVisible();
	await expect(page.getByText('Par:')).toHaveCount(0);
	await page.getByRole('button', { name: 'Show par' }).click();
	await expect(page.getByText('Par:')).toBeVisible();
	// Whoever keeps it back has it as a file, and nobody sees it at home.
	const [file] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Save it as a file' }).click()
	]);
	const kept = JSON.parse(readFileSync(await file.path(), 'utf8'));
	expect(planSchema.parse(kept).name).toBe('Shortest way: Lamp yard');
	await page.getByRole('button', { name: 'Keep it as a plan' }).click();
	await expect(page.getByRole('treeitem', { name: /Step 1/ })).toBeVisible();
	// Another course with the same plan, and back; then the desk of this one, where it is tried.
	const choice = page.getByRole('combobox', { name: 'Course' });
	await choice.selectOption({ label: 'Open quay' });
	await expect(page.getByRole('region', { name: /Open quay/ })).toBeVisible();
	await choice.selectOption(id);
	await page.getByRole('link', { name: 'Lay out this course' }).click();
	await expect(page.getByTestId('desk-floor')).toBeVisible();
	await page.getByLabel('How the robot behaves').selectOption('ideal');
	await page.getByRole('button', { name: 'Rehearse' }).click();
	await expect(page.getByTestId('outcome')).toContainText('Reached the finish', {
		timeout: 45_000
	});
});

test('a maze is made, looked at, made again and laid; undo brings back what lay there', async ({
	page
}) => {
	const id = await openDesk(page, { finish: { at: [1.7, 1.2], radius: 0.15 } });
	const before = JSON.stringify(await courseOn(page, id));
	await page.getByRole('button', { name: 'Make a maze' }).click();
	const dialog = page.getByRole('dialog');
	await expect(dialog.getByText('Shortest way')).toBeVisible();
	await dialog.getByLabel('Side of a cell').fill('10');
	await dialog.getByLabel('Side of a cell').press('Enter');
	await expect(dialog.getByRole('alert')).toContainText('needs a side of at least');
	await expect(dialog.getByRole('button', { name: 'Lay it on the floor' })).toBeDisabled();
	await dialog.getByLabel('Side of a cell').fill('40');
	await dialog.getByLabel('Side of a cell').press('Enter');
	await dialog.getByLabel('Number of this maze').fill('7');
	await dialog.getByRole('button', { name: 'Another' }).click();
	expect(await violations(page)).toEqual([]);
	await dialog.getByRole('button', { name: 'Lay it on the floor' }).click();
	const maze = await courseOn(page, id);
	expect(maze.walls.length).toBeGreaterThan(5);
	expect(maze.starts).toHaveLength(1);
	expect(maze.name).toBe('Lamp yard');
	await page.getByRole('button', { name: 'Undo' }).click();
	expect(JSON.stringify(await courseOn(page, id))).toBe(before);
});

test('a course goes out as a tape plan, a picture and a drawing, and comes in again', async ({
	page
}, info) => {
	const id = await openDesk(page, {
		starts: [{ at: [0.3, 0.3], bearing: 0 }],
		walls: [{ id: 'pier', from: [1, 0], to: [1, 0.6], thickness: 0.02 }]
	});
	const before = await courseOn(page, id);
	const save = async (kind: RegExp, more?: () => Promise<void>) => {
		await page.getByRole('button', { name: 'Save, print' }).click();
		await page.getByRole('dialog').getByRole('radio', { name: kind }).check();
		await more?.();
		const coming = page.waitForEvent('download');
		await page.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
		const file = await coming;
		const path = info.outputPath(file.suggestedFilename());
		await file.saveAs(path);
		return { path, bytes: readFileSync(path) };
	};
	const plan = await save(/^Tape plan/, async () => {
		await page.getByLabel('Paper').selectOption('Letter');
		await page.getByLabel('Over several sheets, too').selectOption('1');
	});
	expect(plan.path).toMatch(/Lamp yard\.pdf$/);
	expect(plan.bytes.subarray(0, 5).toString()).toBe('%PDF-');
	const picture = await save(/^As a picture/, () => page.getByLabel('Width in pixels').fill('640'));
	expect([picture.bytes.readUInt32BE(16), picture.bytes.readUInt32BE(20)]).toEqual([640, 480]);
	const drawing = await save(/^As a drawing/);
	// Changed, and then as it was written.
	await page.getByTestId('desk-floor').focus();
	await page.keyboard.press('Control+a');
	await page.keyboard.press('Delete');
	expect((await courseOn(page, id)).walls).toEqual([]);
	await page.getByTestId('drawing-file').setInputFiles(drawing.path);
	await expect(page.getByTestId('announcement')).toContainText('lies on the floor');
	expect(await courseOn(page, id)).toEqual(before);
	// At home it is one more course.
	await page.goto('/');
	await page.getByTestId('any-file').setInputFiles(drawing.path);
	await expect(page.getByText('“Lamp yard” was opened')).toBeVisible();
	await choose(page, 'Lamp yard', 'Delete');
});

test('a drawing of another program is taken in as somebody says, and a hostile one is refused', async ({
	page
}) => {
	const id = await openDesk(page);
	const file = (text: string) => ({
		name: 'reeds.svg',
		mimeType: 'image/svg+xml',
		buffer: Buffer.from(text)
	});
	const svg = (body: string) =>
		file(
			`<svg xmlns="http://www.w3.org/2000/svg" width="2000mm" height="1500mm" viewBox="0 0 200 150">${body}</svg>`
		);
	await page.getByTestId('drawing-file').setInputFiles(svg('<script>alert(1)</script>'));
	await expect(page.getByRole('alert')).toContainText(
		'“reeds.svg” was not taken in. It holds a script'
	);
	await page
		.getByTestId('drawing-file')
		.setInputFiles(
			svg(
				'<g id="reeds"><path d="M20 20V100H80" fill="none" stroke="#111" stroke-width="2"/></g>' +
					'<g id="words"><path d="M0 0h5" stroke="red"/></g>'
			)
		);
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel(/^reeds/).selectOption('wall');
	await dialog.getByLabel(/^words/).selectOption('nothing');
	expect(await violations(page)).toEqual([]);
	await dialog.getByRole('button', { name: 'Lay it on the floor' }).click();
	const { walls, tapes } = await courseOn(page, id);
	expect(tapes).toEqual([]);
	expect(walls.map(({ from, to }) => [from, to])).toEqual([
		points('0.2,1.3 0.2,0.5'),
		points('0.2,0.5 0.8,0.5')
	]);
});
