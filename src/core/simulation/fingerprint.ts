/**
 * A short text that two attempts share only when they are the same in every recorded number: for
 * proving that a change of the code, or another engine, leaves the model alone. It says nothing of
 * how an attempt is laid out in memory, nor of the ids of steps.
 */
import type { Values, Worked } from '../steps/definition';
import type { Attempt, RobotRun } from './attempt';

/** These are as exact as the model has them; the other columns are kept as 32-bit numbers. */
const exactColumns = new Set(['time', 'x', 'y', 'heading']);

export function fingerprintOf(attempt: Attempt): string {
	const hash = new Hash();
	const { runs, spans, log, notes, crates } = attempt;
	const columnsOf = ({ trace, sensed, unread }: RobotRun) => {
		const { columns: own, ...pose } = trace;
		return [{ ...pose, ...own }, sensed, unread];
	};
	for (const columns of runs.flatMap(columnsOf)) {
		for (const [name, column] of Object.entries(columns).toSorted(byName)) {
			hash.text(name);
			const isExact = exactColumns.has(name);
			for (const value of column) hash.number(isExact ? value : Math.fround(value));
		}
	}
	hash.json(
		spans.map(({ kind, number, values, start, end, from, to, isComplete }) => [
			...[kind, number, saidBy(kind, values), start, end, isComplete],
			...[from.x, from.y, from.heading, to.x, to.y, to.heading]
		])
	);
	for (const { bumps, tones } of runs) {
		hash.json(bumps.map(({ time, x, y, against }) => [time, x, y, against]));
		hash.json(tones.map(({ time, pitch, length, volume }) => [time, pitch, length, volume]));
	}
	hash.json(log.map(({ time, number, value }) => [time, number, value]));
	hash.json(notes.length);
	hash.json(
		crates.map(({ moments, fellAt }) => [
			fellAt ?? null,
			moments.map(({ time, x, y, heading }) => [time, x, y, heading])
		])
	);
	const { kind, seconds, reachedFinish, lampPosts, reason } = attempt.outcome;
	hash.json([
		kind,
		reason.key,
		seconds,
		reachedFinish,
		lampPosts.map(({ id, time }) => [id, time])
	]);
	hash.json([...runs.map(({ pathLength }) => pathLength), attempt.ticks]);
	return hash.toString();
}

/** What steps have gained since attempts were proved first; as it begins it says nothing. */
const cameLater: Readonly<Record<string, Values>> = {
	goFor: { direction: 'forward' },
	start: { direction: 'forward' }
};

const saidBy = (kind: string, values: Worked) =>
	Object.entries(values)
		.filter(([name, value]) => cameLater[kind]?.[name] !== value)
		.toSorted(byName);

const byName = ([a]: readonly [string, unknown], [b]: readonly [string, unknown]): number =>
	a < b ? -1 : 1;

/** Two lanes of FNV-1a over 32-bit words. Source: Fowler, Noll and Vo, "The FNV Non-Cryptographic Hash Algorithm". */
class Hash {
	private first = 0x811c9dc5;
	private second = 0x01000193;
	private readonly buffer = new DataView(new ArrayBuffer(8));

	private word(value: number): void {
		this.first = Math.imul(this.first ^ value, 0x01000193);
		this.second = Math.imul(this.second ^ value ^ (this.first >>> 15), 0x85ebca6b);
	}

	number(value: number): void {
		// One zero, and one value that is none.
		this.buffer.setFloat64(0, Number.isNaN(value) ? NaN : value + 0);
		this.word(this.buffer.getUint32(0));
		this.word(this.buffer.getUint32(4));
	}

	text(text: string): void {
		for (let i = 0; i < text.length; i++) this.word(text.charCodeAt(i));
		this.word(text.length);
	}

	json(value: unknown): void {
		this.text(JSON.stringify(value));
	}

	toString(): string {
		const hex = (lane: number) => (lane >>> 0).toString(16).padStart(8, '0');
		return hex(this.first) + hex(this.second);
	}
}
