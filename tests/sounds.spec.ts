/** Sounds: recorded by keys, and there wherever their plan is opened; a melody from a file; a voice. */
import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { step } from '../src/core/testing/sample';
import { midiOf } from '../src/core/sounds/midi';
import { readNotes } from '../src/core/sounds/notes';
import { violations } from './axe';
import { isSaved, openPlan, tag } from './helpers';
import { test } from './test';

/** The sound that is chosen comes as a file: it is there. */
async function isThere(page: Page, name: string): Promise<void> {
	await page.getByRole('button', { name: `Sound: ${name}. Change` }).click();
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: `Save ${name} as a WAV file` }).click();
	const wav = await readFile(await (await download).path());
	expect(wav.toString('latin1', 0, 4)).toBe('RIFF');
	expect(wav.length).toBeGreaterThan(3000);
	await page.keyboard.press('Escape');
}

test('a recording is made by keys, and is there in a file, in another browser, offline', async ({
	page,
	browser
}) => {
	const id = await openPlan(page, [step('clip', { clip: 'bell', then: 'wait' })]);
	await page.getByRole('button', { name: 'Sound: bell. Change' }).focus();
	await page.keyboard.press('Enter');
	const sheet = page.locator('.at-tag');
	await expect(sheet.getByRole('button', { name: 'bell', exact: true })).toBeFocused();
	await sheet.getByRole('button', { name: 'Record' }).focus();
	await page.keyboard.press('Enter');
	await expect(sheet.getByText(/^[1-9]\.\d of 10 s$/)).toBeVisible();
	await sheet.getByRole('button', { name: 'Stop' }).press('Enter');
	const end = sheet.getByRole('slider', { name: 'Ends at' });
	await end.focus();
	const before = Number(await end.inputValue());
	await page.keyboard.press('ArrowLeft');
	expect(Number(await end.inputValue())).toBeCloseTo(before - 0.01, 5);
	await sheet.getByRole('textbox', { name: 'Name' }).fill('Beacon');
	expect(await violations(page)).toEqual([]);
	await sheet.getByRole('button', { name: 'Keep', exact: true }).press('Enter');
	await expect(sheet.getByRole('button', { name: 'Beacon', exact: true })).toHaveAttribute(
		'aria-pressed',
		'true'
	);
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: 'Sound: Beacon. Change' })).toBeFocused();
	await isSaved(page);

	const file = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save to a file' }).click();
	const saved = await (await file).path();
	const other = await browser.newContext();
	const there = await other.newPage();
	const fetched = there.waitForResponse(/api\/sounds/);
	await there.goto(`/plans/${id}`);
	await (await fetched).finished();
	await isThere(there, 'Beacon');
	await other.setOffline(true);
	await isThere(there, 'Beacon');
	await other.close();

	const third = await browser.newContext();
	const opened = await third.newPage();
	await opened.route('**/api/sounds/**', (route) => route.abort());
	await opened.goto(`/plans/${await openPlan(opened, [])}`);
	await opened.getByTestId('plan-file').setInputFiles(saved);
	await expect(tag(opened, /Sound Beacon/)).toBeVisible();
	await isThere(opened, 'Beacon');
	await third.close();
});

test('a WAV file and a MIDI file are opened, and what is none is refused', async ({ page }) => {
	await openPlan(page, [
		step('melody', { notes: 'C4', tempo: 90, then: 'wait' }),
		step('clip', { clip: 'bell', then: 'wait' })
	]);
	await page.getByRole('button', { name: 'Notes: C4. Change' }).click();
	const notes = readNotes('G4 E5:2 -:0.5');
	const buffer = Buffer.from(midiOf(notes.ok ? notes.value : [], 150));
	const midi = page.getByLabel('Open a MIDI file');
	await midi.setInputFiles({ name: 'ferry.mid', mimeType: 'audio/midi', buffer });
	await expect(page.getByText('ferry.mid is open, at 150 beats a minute.')).toBeVisible();
	await expect(page.getByRole('textbox', { name: 'Notes' })).toHaveValue('G4 E5:2 -:0.5');
	await midi.setInputFiles({
		name: 'torn.mid',
		mimeType: 'audio/midi',
		buffer: buffer.subarray(4)
	});
	await expect(page.getByText('torn.mid: a standard MIDI file was expected')).toBeVisible();

	// On the staff: by keys, and by the mouse.
	await page.getByRole('radio', { name: 'Note 3 of 3: rest, 0.5 beats' }).focus();
	for (const key of ['ArrowLeft', 'ArrowUp', 'n', '-']) await page.keyboard.press(key);
	const list = page.getByRole('textbox', { name: 'Notes' });
	await expect(list).toHaveValue('G4 F5:2 F5 -:0.5');
	const staff = (await page
		.getByRole('radiogroup', { name: 'Staff' })
		.locator('svg')
		.boundingBox())!;
	await page.mouse.click(staff.x + 50, staff.y + staff.height / 2);
	await expect(list).toHaveValue(/^[A-G]\d F5:2 F5 -:0.5$/);
	await expect(list).not.toHaveValue(/^G4/);
	expect(await violations(page)).toEqual([]);
	await page.keyboard.press('Escape');

	await page.getByRole('button', { name: 'Sound: bell. Change' }).click();
	const wav = page.getByLabel('Open a WAV file');
	await wav.setInputFiles({ name: 'torn.wav', mimeType: 'audio/wav', buffer: Buffer.from('RIFF') });
	await expect(page.getByText('torn.wav: a WAV file was expected.')).toBeVisible();
	await page.keyboard.press('Escape');
	await isSaved(page);
});
