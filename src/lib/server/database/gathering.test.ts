import { expect, it } from 'vitest';
import { gathering } from './gathering';

/** Work that is done when it is told; what it was given, call by call. */
function slow() {
	const calls: string[][] = [];
	const ends: (() => void)[] = [];
	const add = gathering<string, string>(
		(item) => item[0]!,
		async (items) => {
			calls.push([...items]);
			await new Promise<void>((done) => ends.push(done));
			if (items.includes('x!')) throw new Error('x!');
			return items.map((item) => `${item} done`);
		}
	);
	const end = async () => {
		ends.shift()!();
		// What comes next is begun some promises later.
		await new Promise((goOn) => setImmediate(goOn));
	};
	return { calls, add, end };
}

it('begins at once, and does what came meanwhile together: of each key one after the other', async () => {
	const { calls, add, end } = slow();
	const first = add('a1');
	expect(calls).toEqual([['a1']]);
	const others = Promise.all(['b1', 'a2', 'b2', 'c1'].map(add));
	await end();
	expect(await first).toBe('a1 done');
	expect(calls[1]).toEqual(['b1', 'a2', 'c1']);
	await end();
	expect(calls[2]).toEqual(['b2']);
	await end();
	expect(await others).toEqual(['b1 done', 'a2 done', 'b2 done', 'c1 done']);
	void add('a3');
	expect(calls[3]).toEqual(['a3']);
});

it('fails only what fails by itself, and takes no more at once than it may', async () => {
	const { calls, add, end } = slow();
	const first = add('a1');
	const settled = Promise.allSettled([add('b1'), add('x!'), add('c1')]);
	await end();
	expect(calls[1]).toEqual(['b1', 'x!', 'c1']);
	for (let call = 0; call < 4; call++) await end();
	expect(calls.slice(2)).toEqual([['b1'], ['x!'], ['c1']]);
	const found = await settled;
	expect(found.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
	await first;
	const many = slow();
	void many.add('0');
	for (let item = 0; item < 18; item++) void many.add(String.fromCodePoint(1000 + item));
	for (let call = 0; call < 4; call++) await many.end();
	expect(many.calls.map(({ length }) => length)).toEqual([1, 8, 8, 2]);
});
