import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** How many outputs are thrown away first, so that neighbouring seeds share nothing. */
const WARM_UP = 20;

/** Two 16-bit halves have a standard deviation of 2^16 / sqrt(6) when added. */
const CHANCE_SCALE = Math.sqrt(6) / 65536;

/** A seeded source of chance: the same seed gives the same numbers on every machine. */
export class Random {
	private readonly generator;

	constructor(seed: number) {
		this.generator = xoroshiro128plus(seed | 0);
		for (let i = 0; i < WARM_UP; i++) this.generator.next();
	}

	/** Uniform in [low, high). */
	between(low: number, high: number): number {
		return low + (high - low) * uniformFloat64(this.generator);
	}

	/** Uniform over the two ranges [-high, -low] and [low, high]. */
	eitherSide(low: number, high: number): number {
		const size = this.between(low, high);
		return this.between(-1, 1) < 0 ? -size : size;
	}

	/**
	 * Mean 0, standard deviation 1, never beyond 2.45: triangular. Cheap enough for every tick, and
	 * bounded, so that no single unlucky number throws a robot across the room.
	 */
	chance(): number {
		const bits = this.generator.next();
		return ((bits >>> 16) + (bits & 0xffff) - 65535) * CHANCE_SCALE;
	}
}

/** A 32-bit seed from a text (FNV-1a), for what must stay the same for one name. */
export function seedOfText(text: string): number {
	let hash = 0x811c9dc5;
	for (let i = 0; i < text.length; i++) {
		hash ^= text.charCodeAt(i);
		hash = Math.imul(hash, 0x01000193);
	}
	return hash >>> 0;
}
