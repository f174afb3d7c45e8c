/** Writes down where crates are, whenever they have moved. */
import type { StandingCrate } from '../world/crates';
import type { CrateTrace } from './attempt';

type Moment = CrateTrace['moments'][number];

export class CrateWriter {
	private readonly moments: Moment[][];
	private readonly falls = new Map<string, number>();

	constructor(private readonly crates: readonly StandingCrate[]) {
		this.moments = crates.map(({ pose }) => [{ time: 0, ...pose }]);
	}

	/** A crate that has not moved costs nothing. */
	keep(time: number): void {
		for (let i = 0; i < this.crates.length; i++) {
			const { x, y, heading } = this.crates[i]!.pose;
			const moments = this.moments[i]!;
			const last = moments.at(-1)!;
			if (last.x === x && last.y === y && last.heading === heading) continue;
			moments.push({ time, x, y, heading });
		}
	}

	fell(crate: StandingCrate, time: number): void {
		this.falls.set(crate.id, time);
	}

	get traces(): CrateTrace[] {
		return this.crates.map(({ id }, index) => {
			const fellAt = this.falls.get(id);
			return { id, moments: this.moments[index]!, ...(fellAt !== undefined && { fellAt }) };
		});
	}
}
