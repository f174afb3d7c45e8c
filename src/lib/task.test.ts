import { expose } from 'comlink';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { failure, success, type Result } from '$core/sentence';
import { Task } from './task';

beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }));
afterEach(() => vi.useRealTimers());

/** A worker whose script comes when it is told to. */
function worker(read: () => Promise<Result<number>>) {
	const { port1, port2 } = new MessageChannel();
	const task = new Task<{ read: typeof read }>(
		Object.assign(port1, { terminate: () => port1.close() }) as unknown as Worker
	);
	const comes = () => expose({ read }, port2 as unknown as Parameters<typeof expose>[1]);
	const reading = task.read((service) => service.read(), 'tooLong');
	return { comes, reading };
}

it('waits for a script as long as the network needs, and then for a few seconds', async () => {
	const late = worker(() => Promise.resolve(success(7)));
	await vi.advanceTimersByTimeAsync(20_000);
	late.comes();
	expect(await late.reading).toEqual(success(7));
});

it('says of what never ends that it took too long', async () => {
	let begun: () => void;
	const hasBegun = new Promise<void>((begin) => (begun = begin));
	const endless = worker(() => (begun(), new Promise(() => {})));
	endless.comes();
	await hasBegun;
	await vi.advanceTimersByTimeAsync(5000);
	expect(await endless.reading).toEqual(failure('tooLong', { seconds: 5 }));
});
