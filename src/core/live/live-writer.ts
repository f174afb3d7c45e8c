/** Writes down what a real robot says of itself, sample by sample. */
import type { LinkPort } from '../link/link-port';
import type { Column } from '../robots/robot';
import { TraceWriter } from '../simulation/trace-writer';
import type { Pose } from '../world/pose';

export class LiveWriter {
	private readonly writer: TraceWriter<LinkPort>;
	private kept = 0;
	private told = 0;

	/** @param readings that its kind has */
	constructor(port: LinkPort, pose: Pose, columns: readonly Column[], readings: readonly string[]) {
		const said = columns.map(({ name }) => ({
			name,
			of: ({ shows }: LinkPort) => shows[name] ?? NaN
		}));
		const read = readings.map((reading) => ({ reading, now: () => port.read(reading) }));
		this.writer = new TraceWriter(port, pose, said, { read, shown: [] });
	}

	/** @param tick of 120 a second, since Run */
	keep(tick: number): void {
		if (this.writer.keep(tick)) this.kept += 1;
	}

	/** What was kept since it was asked last. */
	news() {
		const from = this.told;
		this.told = this.kept;
		return { from, ...this.writer.since(from) };
	}
}
