/** A lamp that can shine steadily or blink. */
export class Lamp {
	private colour = 0;
	private period = 0;
	private since = 0;
	/** The colour that was given last, and its number. */
	private given = '';
	private full = 0;

	/** @param colour `#rrggbb` @param period seconds of one blink, on and off; 0 for a steady light */
	set(colour: string, brightness: number, period: number, time: number): void {
		if (colour !== this.given) {
			this.given = colour;
			this.full = Number.parseInt(colour.slice(1), 16);
		}
		const channel = (shift: number) => Math.round(((this.full >> shift) & 0xff) * brightness);
		this.colour = channel(16) * 0x10000 + channel(8) * 0x100 + channel(0);
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
