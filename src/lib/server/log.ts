/** What goes wrong on the server, a line each: when, where, why. */

/** Lines a minute for one cause; what comes beyond is counted and said in one line. */
const linesAMinute = 5;
const minute = 60_000;

interface Count {
	since: number;
	lines: number;
	left: number;
}

export class Log {
	private readonly counts = new Map<string, Count>();

	constructor(
		private readonly write: (line: string) => void = console.error,
		private readonly now: () => number = Date.now
	) {}

	/** @param place such as "PUT /api/documents/[id=id]" */
	failed(error: unknown, place: string): void {
		const now = this.now();
		const cause = causeOf(error);
		this.close(now);
		const count = this.counts.get(cause) ?? { since: now, lines: 0, left: 0 };
		this.counts.set(cause, count);
		if (count.lines >= linesAMinute) {
			count.left += 1;
			return;
		}
		count.lines += 1;
		this.write(`${this.stamp(now)} ${place}: ${cause}${sourceOf(error)}`);
	}

	/** Causes whose minute is over are said with what was left out, and forgotten. */
	private close(now: number): void {
		for (const [cause, { since, left }] of this.counts) {
			if (now - since < minute) continue;
			this.counts.delete(cause);
			if (left > 0) this.write(`${this.stamp(now)} ${left} more of: ${cause}`);
		}
	}

	private stamp = (now: number): string => new Date(now).toISOString();
}

/** On one line, and never longer than a line can be read. */
function causeOf(error: unknown): string {
	const text = error instanceof Error ? `${error.name}: ${error.message}` : String(error);
	return text.replace(/[\p{Cc}\p{Zl}\p{Zp}]+/gu, ' ').slice(0, 200);
}

/** The place in the code where it was thrown. */
function sourceOf(error: unknown): string {
	const frame = error instanceof Error ? /\n\s+at (.+)/.exec(error.stack ?? '')?.[1] : undefined;
	return frame ? ` (at ${frame})` : '';
}

export const serverLog = new Log();
