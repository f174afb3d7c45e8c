/** Writes down what a real robot says of itself, sample by sample. */
import type { LinkPort } from '../link/link-port';
import type { Column } from '../robots/robot';
import type { SensedColumns } from '../simulation/attempt';
import { TraceWriter, type ColumnReader } from '../simulation/trace-writer';
import type { Pose } from '../world/pose';

export class LiveWriter {
	private readonly writer: TraceWriter<LinkPort>;
	private kept = 0;
	private told = 0;

	/** @param shown readings that the plan does not read */
	constructor(
		port: LinkPort,
		pose: Pose,
		columns: readonly Column[],
		read: readonly ColumnReader[],
		private readonly shown: ReadonlySet<string>
	) {
		const said = columns.map(({ name }) => ({
			name,
			of: ({ shows }: LinkPort) => shows[name] ?? NaN
		}));
		const all = [...shown].map((reading) => ({ reading, now: () => port.read(reading) }));
		this.writer = new TraceWriter(port, pose, said, { read: [...read, ...all], shown: [] });
	}

	/** @param tick of 120 a second, since Run */
	keep(tick: number): void {
		if (this.writer.keep(tick)) this.kept += 1;
	}

	/** What was kept since it was asked last. */
	news() {
		const from = this.told;
		this.told = this.kept;
		const { trace, sensed } = this.writer.since(from);
		const { shown } = this;
		const those = (isShown: boolean): SensedColumns =>
			Object.fromEntries(Object.entries(sensed).filter(([name]) => shown.has(name) === isShown));
		return { from, trace, sensed: those(false), unread: those(true) };
	}
}
