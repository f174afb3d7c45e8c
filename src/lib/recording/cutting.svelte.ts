/** A sound of which a part is chosen, before it is kept. */
import { longestSound, sampleRate, shortestSound, wavBytes } from '$core/sounds/limits';
import { longestName, mostSoundBytes } from '$core/sounds/clip';
import { envelopeOf, type Samples } from '$core/sounds/samples';

/** Lines of which its picture is made. */
const lines = 120;
/** What is softer than this part of its loudest is taken for silence, before and behind. */
const silent = 0.04;

export class Cutting {
	/** Seconds, of the sound as it came. */
	from = $state(0);
	to = $state(0);
	name = $state('');
	readonly seconds: number;
	/** How loud it is all along, 0 to 1. */
	readonly picture: readonly number[];

	constructor(
		readonly samples: Samples,
		name: string
	) {
		this.seconds = samples.length / sampleRate;
		this.picture = envelopeOf(samples, Math.min(lines, samples.length));
		this.name = name.slice(0, longestName);
		const most = Math.max(...this.picture);
		const isLoud = (part: number) => part > silent * most;
		const [first, last] = [this.picture.findIndex(isLoud), this.picture.findLastIndex(isLoud)];
		const step = this.seconds / this.picture.length;
		this.from = Math.max(0, first) * step;
		this.to = Math.min(last < 0 ? this.seconds : (last + 1) * step, this.from + longestSound);
	}

	/** Neither end passes the other, and what is between is never longer than a sound may be. */
	setFrom(seconds: number): void {
		this.from = Math.max(0, Math.min(seconds, this.seconds - shortestSound));
		this.to = Math.min(
			Math.max(this.to, this.from + shortestSound),
			this.from + longestSound,
			this.seconds
		);
	}

	setTo(seconds: number): void {
		this.to = Math.max(shortestSound, Math.min(seconds, this.seconds));
		this.from = Math.max(0, Math.min(this.from, this.to - shortestSound), this.to - longestSound);
	}

	get length(): number {
		return this.to - this.from;
	}

	/** What is between both ends. */
	get part(): Samples {
		return this.samples.slice(Math.round(this.from * sampleRate), Math.round(this.to * sampleRate));
	}

	/** @param others bytes of the sounds that the plan has already */
	fits(others: number): boolean {
		return others + wavBytes(Math.round(this.length * sampleRate)) <= mostSoundBytes;
	}
}
