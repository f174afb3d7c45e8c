/** Whether a robot that plays sounds takes them, and only as what they are. */
import { clips } from '../../core/devices/clips/device';
import { piecesOf } from '../../core/link/clip-pieces';
import { makeClip } from '../../core/sounds/clips';
import { hashOfWav } from '../../core/sounds/travelling';
import { wavOf } from '../../core/sounds/wav';
import type { Check } from './check';
import type { RobotLine } from './robot-line';

export async function clipsHeld(check: Check, line: RobotLine): Promise<void> {
	if (!check.greeting!.devices.includes(clips.id)) return;
	const wav = wavOf(makeClip('knock'));
	// Nobody has sent this one before.
	wav[wav.length - 1] = Math.floor(Math.random() * 250);
	const id = hashOfWav(wav);
	const lacked = async () => {
		const from = line.heard.length;
		line.send({ type: 'clips', ids: [id] });
		return line.wait('lacks', from);
	};
	const send = async <T extends 'holds' | 'lacks'>(content: Uint8Array, answer: T) => {
		const from = line.heard.length;
		for (const piece of piecesOf(id, content)) line.send(piece);
		return line.wait(answer, from);
	};
	const first = await lacked();
	check.note('clipLacked', first?.ids.includes(id) === true && first.room >= wav.length);
	const damaged = wav.with(100, wav[100]! ^ 1);
	check.note('clipDamaged', (await send(damaged, 'lacks'))?.ids.includes(id) === true);
	await lacked();
	check.note('clipHeld', (await send(wav, 'holds'))?.id === id);
	check.note('clipKept', (await lacked())?.ids.length === 0);
}
