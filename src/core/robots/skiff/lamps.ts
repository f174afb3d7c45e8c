/** A lamp that can shine steadily or blink. */
export class Lamp {
	private colour = 0;
	private period = 0;
	private since = 0;

	/** @param colour `#rrggbb` @param period seconds of one blink, on and off; 0 for a steady light */
	set(colour: string, brightness: number, period: number, time: number): void {
		const channel = (from: number) =>
			Math.round(Number.parseInt(colour.slice(from, from + 2), 16) * brightness);
		this.colour = channel(1) * 0x10000 + channel(3) * 0x100 + channel(5);
		this.period = period;
		this.since = time;
	}

	/** 0xrrggbb */
	shownAt(time: number): number {
		if (this.period === 0) return this.colour;
		// A millionth of a period, so that rounding of the time never shifts a change by a tick.
		const phase = ((time - this.since) / this.period + 1e-6) % 1;
		return phase < 0.5 ? this.colour : 0;
	}
}
