/** The floor's window on the course: metres to pixels, y up. */
import type { Course } from '$core/course/course';
import type { Attempt, RecordedPose } from '$core/simulation/attempt';

export interface View {
	/** Pixels a metre. */
	readonly scale: number;
	/** Pixel of the course's south-west corner. */
	readonly x: number;
	readonly y: number;
}

/** Metres left free around a course that is fitted in. */
const margin = 0.12;

/** Shows the whole course in the middle of a pane. */
export function fit(course: Course, width: number, height: number): View {
	const { width: w, height: h } = course.size;
	const scale = Math.max(20, Math.min(width / (w + 2 * margin), height / (h + 2 * margin)));
	return { scale, x: (width - w * scale) / 2, y: (height + h * scale) / 2 };
}

/** A round length that is 60 to 160 pixels long, in metres. */
export function scaleBar(scale: number): number {
	const lengths = [0.05, 0.1, 0.2, 0.5, 1, 2, 5];
	return lengths.find((length) => length * scale >= 60) ?? 10;
}

/** Where the crates of an attempt are at a time; null for one that has fallen off the table. */
export function cratesAt(
	attempt: Attempt | null,
	time: number
): ReadonlyMap<string, RecordedPose | null> {
	const places = attempt?.crates.map(({ id, moments, fellAt }) => {
		const last = moments.findLastIndex((moment) => moment.time <= time);
		return [
			id,
			fellAt !== undefined && time >= fellAt ? null : moments[Math.max(0, last)]!
		] as const;
	});
	return new Map(places);
}
