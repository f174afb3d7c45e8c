/**
 * A trapezoidal profile: from rest at 0 to rest at `length`, speeding up and slowing down evenly,
 * never faster than `speed`. For short ways it is a triangle. Units are the caller's.
 */
export class Profile {
	/** Time at which it ends. */
	readonly duration: number;
	private readonly peak: number;
	private readonly ramp: number;
	private time = 0;

	/** Where it wants to be now, how fast, and how fast the speed changes. */
	position = 0;
	velocity = 0;
	acceleration = 0;

	constructor(
		readonly length: number,
		speed: number,
		private readonly rate: number
	) {
		this.peak = Math.min(speed, Math.sqrt(length * rate));
		this.ramp = this.peak / rate;
		this.duration = length > 0 ? length / this.peak + this.ramp : 0;
	}

	get isOver(): boolean {
		return this.time >= this.duration;
	}

	advance(seconds: number): void {
		this.time += seconds;
		const { time, ramp, duration, rate, peak, length } = this;
		const left = duration - time;
		if (left <= 0) {
			this.position = length;
			this.velocity = 0;
			this.acceleration = 0;
		} else if (left < ramp) {
			this.position = length - (rate * left * left) / 2;
			this.velocity = rate * left;
			this.acceleration = -rate;
		} else if (time < ramp) {
			this.position = (rate * time * time) / 2;
			this.velocity = rate * time;
			this.acceleration = rate;
		} else {
			this.position = peak * (time - ramp / 2);
			this.velocity = peak;
			this.acceleration = 0;
		}
	}
}
