/** What the person at this device prefers: how much the shelf offers, and the units they read. */
import { z } from 'zod';
import { levels } from '$core/levels';
import { store, stored } from './storage';

const key = 'lantern-step.preferences';

const schema = z.object({
	level: z.enum(levels).catch('further'),
	lengths: z.enum(['cm', 'inch']).catch('cm'),
	speeds: z.enum(['percent', 'perSecond']).catch('percent'),
	/** The shelf stays open beside the trail. */
	isShelfPinned: z.boolean().catch(false),
	/** Figures of all sensors, not only of those that the plan reads. */
	showsAllReadings: z.boolean().catch(false),
	/** The course that was tried or chosen last: a new plan opens on it. */
	lastCourse: z.string().nullable().catch(null),
	/** The kind of robot that a plan was begun for last. */
	lastKind: z.string().nullable().catch(null),
	/** Part of the height that the floor has where it stands above the trail. */
	floorShare: z.number().min(0.25).max(0.75).catch(0.5),
	/** Home shows this person's own plans first of all, not everybody's. */
	showsMine: z.boolean().catch(false)
});
type Choices = z.infer<typeof schema>;

function load(): Choices {
	try {
		return schema.parse(JSON.parse(stored(key) ?? '{}'));
	} catch {
		// What is in it is not ours: the usual choices.
		return schema.parse({});
	}
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
