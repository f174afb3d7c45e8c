import { expect, it } from 'vitest';
import { hashOfWav } from '../sounds/travelling';
import { wavOf } from '../sounds/wav';
import { piecesOf } from './clip-pieces';
import { ClipShelf } from './clip-shelf';

/** Of 64,044 bytes: three pieces. */
const wavWith = (level: number) => wavOf(new Int16Array(32_000).fill(level));
const [bell, gull, frog] = [1, 2, 3].map(wavWith) as [Uint8Array, Uint8Array, Uint8Array];
const ids = [bell, gull, frog].map(hashOfWav) as [string, string, string];

const send = (shelf: ClipShelf, wav: Uint8Array, id = hashOfWav(wav)) =>
	piecesOf(id, wav)
		.map((piece) => shelf.take(piece))
		.at(-1);

it('takes what was announced in pieces, and has it from then on', () => {
	const shelf = new ClipShelf(200_000);
	expect(shelf.want(ids.slice(0, 2))).toEqual({
		type: 'lacks',
		ids: ids.slice(0, 2),
		room: 200_000
	});
	expect(piecesOf(ids[0], bell)).toHaveLength(3);
	expect(send(shelf, bell)).toEqual({ type: 'holds', id: ids[0] });
	expect([shelf.holds(ids[0]), shelf.holds(ids[1])]).toEqual([true, false]);
	expect(shelf.wavOf(ids[0])).toEqual(bell);
	expect(shelf.want(ids.slice(0, 2))).toMatchObject({ ids: [ids[1]], room: 200_000 - bell.length });
});

it('keeps nothing that is not what it is called, out of turn, or that nobody announced', () => {
	const shelf = new ClipShelf(200_000);
	shelf.want([ids[0]]);
	expect(send(shelf, gull, ids[0])).toMatchObject({ type: 'lacks', ids: [ids[0]] });
	expect(send(shelf, gull)).toMatchObject({ type: 'lacks', ids: [ids[1]] });
	const [first, , last] = piecesOf(ids[0], bell);
	shelf.take(first!);
	expect(shelf.take(last!)).toMatchObject({ type: 'lacks' });
	expect(shelf.holds(ids[0])).toBe(false);
});

it('lets older ones go for those that are wanted, and refuses what has no room at all', () => {
	const shelf = new ClipShelf(150_000);
	shelf.want([ids[0], ids[1]]);
	send(shelf, bell);
	send(shelf, gull);
	expect(shelf.want([ids[1], ids[2]])).toMatchObject({ ids: [ids[2]] });
	expect(send(shelf, frog)).toMatchObject({ type: 'holds' });
	expect(ids.map((id) => shelf.holds(id))).toEqual([false, true, true]);
	shelf.want(ids);
	expect(send(shelf, bell)).toMatchObject({ type: 'lacks', room: 150_000 - 2 * bell.length });
	expect(new ClipShelf(0).want([ids[0]])).toMatchObject({ room: 0 });
});
