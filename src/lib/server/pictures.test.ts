import { expect, it } from 'vitest';
import { darkLamps, gridSize, writePicture } from '$core/pictures/picture';
import { takeName } from './people';
import { shelvedPictures, shelvePicture, unshelvePicture } from './pictures';
import { withDatabase } from './testing';

const filmOf = (lamp: number) => `${writePicture(darkLamps(gridSize).with(lamp, 0xff))} 1`;

it('each picture is on the shelf once, whose it was first; only they take it away', () =>
	withDatabase(async () => {
		const [sanne, ode] = await Promise.all(
			['Sanne', 'Ode'].map(async (name) => {
				const person = await takeName(name);
				if (!person.ok) throw new Error(name);
				return person.value.id;
			})
		);
		await shelvePicture({ name: 'Beacon', film: filmOf(1) }, sanne!);
		await shelvePicture({ name: 'Gull', film: filmOf(2) }, null);
		await new Promise((next) => setTimeout(next, 2));
		await shelvePicture({ name: 'Mine', film: filmOf(1) }, ode!);
		const shelf = await shelvedPictures(sanne!);
		expect(shelf.map(({ name, by, isOwn }) => [name, by, isOwn])).toEqual([
			['Beacon', 'Sanne', true],
			['Gull', null, false]
		]);
		const [{ id }] = shelf as [(typeof shelf)[0]];
		await unshelvePicture(id, ode!);
		await unshelvePicture(id, null);
		expect(await shelvedPictures(null)).toHaveLength(2);
		await unshelvePicture(id, sanne!);
		expect((await shelvedPictures(null)).map(({ name }) => name)).toEqual(['Gull']);
	}));
