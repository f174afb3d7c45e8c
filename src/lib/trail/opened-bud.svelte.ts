/** Where the bud is open at level First: it stays there until something is taken, pressed or added. */
import { findStep, type Place } from '$core/plan/places';
import type { Plan } from '$core/plan/plan';
import { offersAt, shelfPlace } from '$lib/words/typed';
import { openHeight } from './open-bud';
import type { RowLook } from './row-list';
import { leftOf } from './rows';

interface Surroundings {
	readonly plan: Plan;
	readonly isFirst: boolean;
	/** Pixels that a row has, at zoom 1. */
	readonly width: number;
}

export class OpenedBud {
	private openedAt = $state.raw<Place | null>(null);

	/** At the end of the first chain, if it was never opened, or what it was in is gone. */
	readonly place = $derived.by((): Place | null => {
		const { plan, isFirst } = this.around;
		const [chain] = plan.chains;
		if (!isFirst || !chain) return null;
		const { holder = '' } = this.openedAt ?? {};
		const isThere = plan.chains.some(({ id }) => id === holder) || findStep(plan, holder)?.body;
		return isThere ? this.openedAt : { holder: chain.id, index: chain.steps.length };
	});

	/** For the rows: where it is, and how much room it needs. */
	readonly drawing = $derived.by((): RowLook['open'] => {
		const { place } = this;
		const { plan, width } = this.around;
		if (!place) return null;
		const { length } = offersAt(shelfPlace(plan, 'first', place.holder));
		const hasKnot = findStep(plan, place.holder) !== undefined;
		return { place, heightAt: (depth) => openHeight(length, leftOf(depth), width, hasKnot) };
	});

	constructor(private readonly around: Surroundings) {}

	openAt(place: Place): void {
		this.openedAt = place;
	}
}
