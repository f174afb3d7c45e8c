import { expect, it, vi } from 'vitest';
import type { Attempt, Span } from '$core/simulation/attempt';
import { captionsAt } from './captions';
import { Hearing, wordIn, type MakeRecognition } from './hearing.svelte';

it('shows what is said for as long as it takes, and the newest alone', () => {
	const said = (text: string | number, start: number, end: number, isComplete = true) =>
		({ kind: 'say', robot: 'r', values: { text }, start, end, isComplete }) as unknown as Span;
	const outcome = (key: string) => ({ reason: { key } });
	const of = (...spans: Span[]) =>
		({
			runs: [{ id: 'r', robot: { name: 'Vesper' } }],
			spans,
			outcome: outcome('outcome.over')
		}) as unknown as Attempt;
	const attempt = of(said('Ahoy!', 1, 1), said(2.345, 1.5, 1.5));
	expect([0.9, 1.2, 1.6, 9].map((time) => captionsAt(attempt, time))).toEqual([
		[],
		[{ name: 'Vesper', text: 'Ahoy!' }],
		[{ name: 'Vesper', text: '2.35' }],
		[]
	]);
	const halted = of(said('A long sentence', 1, 1.2, false));
	expect([1.1, 1.3].map((time) => captionsAt(halted, time).length)).toEqual([1, 0]);
	const running = { ...halted, outcome: outcome('outcome.running') } as unknown as Attempt;
	expect(captionsAt(running, 1.3)).toHaveLength(1);
});

it('finds only whole words, however they are written', () => {
	const words = ['ahoy', 'cast off'];
	expect(wordIn('Well, AHOY there', words)).toBe('ahoy');
	expect(wordIn('please cast off!', words)).toBe('cast off');
	expect(wordIn('ahoyhoy', words)).toBeUndefined();
	expect(wordIn('', words)).toBeUndefined();
});

it('listens from when it is turned on until it is turned off, and says what is in the way', () => {
	const recognition = {
		start: vi.fn(),
		abort: vi.fn()
	} as unknown as InstanceType<MakeRecognition>;
	const heard = vi.fn();
	const make = function () {
		return recognition;
	} as unknown as MakeRecognition;
	const hearing = new Hearing(make, () => ['ahoy'], heard);
	expect(recognition.start).not.toHaveBeenCalled();
	hearing.turnOn();
	hearing.turnOn();
	expect(recognition.start).toHaveBeenCalledTimes(1);
	const say = (...said: string[]) =>
		recognition.onresult!({ resultIndex: 0, results: said.map((transcript) => [{ transcript }]) });
	say('hello', 'Ahoy!');
	expect(heard).toHaveBeenCalledExactlyOnceWith('ahoy');
	recognition.onend!();
	expect(recognition.start).toHaveBeenCalledTimes(2);
	recognition.onerror!({ error: 'not-allowed' });
	expect([hearing.isOn, hearing.trouble]).toEqual([false, 'not-allowed']);
	recognition.onend!();
	expect(recognition.start).toHaveBeenCalledTimes(2);
	expect(new Hearing(undefined, () => [], heard).isPossible).toBe(false);
});
