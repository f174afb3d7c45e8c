/** What the person at this device prefers: how much the shelf offers, and the units they read. */
import { levels } from '$core/levels';
import {
	attemptCounts,
	attemptRooms,
	usualLimits,
	type AttemptLimits
} from '$workers/attempt-limits';
import { store, stored } from './storage';

const key = 'lantern-step.preferences';

const lengths = ['cm', 'inch'] as const;
const speeds = ['percent', 'perSecond'] as const;

interface Choices {
	readonly level: (typeof levels)[number];
	readonly lengths: (typeof lengths)[number];
	readonly speeds: (typeof speeds)[number];
	/** The shelf stays open beside the trail. */
	readonly isShelfPinned: boolean;
	/** Figures of all sensors, not only of those that the plan reads. */
	readonly showsAllReadings: boolean;
	/** The course that was tried or chosen last: a new plan opens on it. */
	readonly lastCourse: string | null;
	/** The kind of robot that a plan was begun for last. */
	readonly lastKind: string | null;
	/** Part of the height that the floor has where it stands above the trail. */
	readonly floorShare: number;
	/** Home shows this person's own plans first of all, not everybody's. */
	readonly showsMine: boolean;
	readonly attemptLimits: AttemptLimits;
}

function load(): Choices {
	try {
		return read(JSON.parse(stored(key) ?? '{}') as Partial<Record<keyof Choices, unknown>>);
	} catch {
		// What is in it is not ours: the usual choices.
		return read({});
	}
}

/** By hand, not by a schema: home, which has none, does without the package for them. */
function read(found: Partial<Record<keyof Choices | 'attemptsKept', unknown>>): Choices {
	const oneOf = <T>(list: readonly T[], value: unknown, usual: T): T =>
		list.find((one) => one === value) ?? usual;
	const textOr = (value: unknown): string | null => (typeof value === 'string' ? value : null);
	const share = Number(found.floorShare);
	// Earlier there was one number.
	const limits = (found.attemptLimits ?? { count: found.attemptsKept }) as Partial<
		Record<keyof AttemptLimits, unknown>
	>;
	return {
		level: oneOf(levels, found.level, 'further'),
		lengths: oneOf(lengths, found.lengths, 'cm'),
		speeds: oneOf(speeds, found.speeds, 'percent'),
		isShelfPinned: found.isShelfPinned === true,
		showsAllReadings: found.showsAllReadings === true,
		lastCourse: textOr(found.lastCourse),
		lastKind: textOr(found.lastKind),
		floorShare: share >= 0.25 && share <= 0.75 ? share : 0.5,
		showsMine: found.showsMine === true,
		attemptLimits: {
			count: oneOf<number>(attemptCounts, limits.count, usualLimits.count),
			megabytes: oneOf<number>(attemptRooms, limits.megabytes, usualLimits.megabytes)
		}
	};
}

class Preferences {
	private choices = $state.raw(load());

	get level() {
		return this.choices.level;
	}
	get lengths() {
		return this.choices.lengths;
	}
	get speeds() {
		return this.choices.speeds;
	}
	get isShelfPinned() {
		return this.choices.isShelfPinned;
	}
	get showsAllReadings() {
		return this.choices.showsAllReadings;
	}
	get floorShare() {
		return this.choices.floorShare;
	}
	get showsMine() {
		return this.choices.showsMine;
	}
	get attemptLimits() {
		return this.choices.attemptLimits;
	}
	get lastKind() {
		return this.choices.lastKind;
	}
	get lastCourse() {
		return this.choices.lastCourse;
	}

	choose(changes: Partial<Choices>): void {
		this.choices = { ...this.choices, ...changes };
		// A device without storage keeps the choice until the page is left.
		store(key, JSON.stringify(this.choices));
	}
}

export const preferences = new Preferences();
