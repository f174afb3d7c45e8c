import { expect, it } from 'vitest';
import { Profile } from './profile';

const step = 1 / 1200;

function follow(profile: Profile) {
	let time = 0;
	let way = 0;
	let fastest = 0;
	while (!profile.isOver) {
		profile.advance(step);
		time += step;
		way += profile.velocity * step;
		fastest = Math.max(fastest, profile.velocity);
	}
	return { time, way, fastest };
}

it.each([
	{ length: 0.6, speed: 0.2, rate: 0.8, time: 0.6 / 0.2 + 0.2 / 0.8, fastest: 0.2 },
	{
		length: 0.05,
		speed: 0.5,
		rate: 0.8,
		time: 2 * Math.sqrt(0.05 / 0.8),
		fastest: Math.sqrt(0.05 * 0.8)
	}
])('a way of $length takes as long and gets as fast as the formula says', (given) => {
	const { time, way, fastest } = follow(new Profile(given.length, given.speed, given.rate));
	expect(time).toBeCloseTo(given.time, 2);
	expect(fastest).toBeCloseTo(given.fastest, 2);
	expect(way).toBeCloseTo(given.length, 3);
});
