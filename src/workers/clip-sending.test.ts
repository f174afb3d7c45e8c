import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { ClipShelf } from '../core/link/clip-shelf';
import type { FromRobot, ToRobot } from '../core/link/frames';
import { hashOfWav } from '../core/sounds/travelling';
import { wavOf } from '../core/sounds/wav';
import { sendClips, type ClipLine } from './clip-sending';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** A robot with so much room; deaf, it answers nothing. */
function robot(room: number, isDeaf = false) {
	const shelf = new ClipShelf(room);
	const heard: FromRobot[] = [];
	const sent: ToRobot['type'][] = [];
	let told: ((frame: FromRobot) => void) | undefined;
	const line: ClipLine = {
		send(frame) {
			sent.push(frame.type);
			const answer =
				frame.type === 'clips' ? shelf.want(frame.ids) : frame.type === 'clip' && shelf.take(frame);
			if (answer && !isDeaf) {
				heard.push(answer);
				told?.(answer);
			}
		},
		next: (types, within) =>
			new Promise((answer) => {
				setTimeout(() => answer(undefined), within);
				told = (frame) => types.some((type) => type === frame.type) && answer(frame as never);
			})
	};
	return { shelf, sent, line };
}

const wavs = Object.fromEntries(
	[1, 2].map((level) => {
		const wav = wavOf(new Int16Array(30_000).fill(level));
		return [hashOfWav(wav), wav] as const;
	})
);
const [first, second] = Object.keys(wavs) as [string, string];

async function given(to: ReturnType<typeof robot>) {
	const sending = sendClips(to.line, wavs);
	await vi.runAllTimersAsync();
	return sending;
}

it('sends what a robot lacks, and nothing again', async () => {
	const to = robot(200_000);
	expect(await given(to)).toEqual([]);
	expect([to.shelf.holds(first), to.shelf.holds(second)]).toEqual([true, true]);
	expect(to.sent.filter((type) => type === 'clip')).toHaveLength(6);
	expect(await given(to)).toEqual([]);
	expect(to.sent.filter((type) => type === 'clip')).toHaveLength(6);
});

it('says what has no room, and waits for no robot that does not answer', async () => {
	expect(await given(robot(70_000))).toEqual([second]);
	expect(await given(robot(200_000, true))).toEqual([first, second]);
});
