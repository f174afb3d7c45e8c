import { expect, it } from 'vitest';
import { readFilm, writeFilm } from '$core/pictures/film';
import { darkLamps, gridSize, writePicture } from '$core/pictures/picture';
import { Weaving } from './weaving.svelte';

const cloth = (lamp: number, beats = 1) => ({
	picture: writePicture(darkLamps(gridSize).with(lamp, 0xff)),
	beats
});

function stripOf(...cloths: readonly { readonly picture: string; readonly beats: number }[]) {
	let film = writeFilm(cloths);
	const strip = new Weaving(
		() => film,
		(next) => (film = next)
	);
	return { strip, film: () => readFilm(film)!, setFilm: (next: string) => (film = next) };
}

it('is a strip: cloths come, go, change places, and have their beats in quarters', () => {
	const [a, b] = [cloth(1), cloth(2, 2)];
	const { strip, film } = stripOf(a, b);
	expect(strip.before).toBeUndefined();
	strip.add();
	expect([film(), strip.at, strip.before]).toEqual([[a, a, b], 1, a.picture]);
	strip.setPicture(cloth(3).picture);
	strip.move(1);
	expect([film(), strip.at]).toEqual([[a, b, cloth(3)], 2]);
	strip.move(1);
	strip.setBeats(0.6);
	strip.setBeats(NaN);
	expect(film()[2]!.beats).toBe(0.5);
	strip.setBeats(1000);
	expect(film()[2]!.beats).toBe(16);
	strip.remove();
	strip.remove();
	strip.remove();
	expect([film(), strip.at]).toEqual([[a], 0]);
});

it('is full at 32 cloths, and what was undone is not threaded any more', () => {
	const { strip, film, setFilm } = stripOf(...Array(31).fill(cloth(1)));
	strip.choose(30);
	strip.add();
	strip.add();
	expect([film().length, strip.isFull, strip.at]).toEqual([32, true, 31]);
	setFilm(writeFilm([cloth(4)]));
	strip.setBeats(2);
	expect(film()).toEqual([cloth(4, 2)]);
});

it('plays each cloth for its beats, over and over; a file of one picture comes onto the chosen one', () => {
	const [a, b] = [cloth(1), cloth(2, 0.5)];
	const { strip, film } = stripOf(a, b);
	expect([0, 0.9, 1.2, 1.6].map((beats) => strip.shownAt(beats))).toEqual(
		[a, a, b, a].map(({ picture }) => picture)
	);
	strip.choose(1);
	strip.take([cloth(7, 9)]);
	expect(film()).toEqual([a, cloth(7, 0.5)]);
	strip.take([b, a, b]);
	expect([film(), strip.at]).toEqual([[b, a, b], 0]);
});
