/** What is said of planted faults and of sound robots. */
import { legsIn, isMove, type Leg } from '../../src/core/attempts/legs';
import { applyEdit } from '../../src/core/plan/edits';
import { reasonsIn, type Reason } from '../../src/core/reasons';
import { isBetter, mended } from '../../src/core/reasons/mend';
import { sizeOf } from '../../src/core/reasons/reason';
import { modelOf } from '../../src/core/robots/models';
import type { ParameterValues } from '../../src/core/robots/parameter';
import { simulate } from '../../src/core/simulation/simulate';
import { faults, type Fault } from './faults';
import { sound, type Sound } from './ways';

type Case = Fault['cases'][number];
type Planted = Sound & Pick<Case, 'does'>;

/** m/s of air that hardly moves: gusts as in a classroom carry a drone by centimetres, and are rightly named. */
const calm = { wander: 0.003 };

/** As drawn in all that stays with a robot or a day: what is left is chance, as in a classroom. */
const asDrawn = ({ kind }: Sound): ParameterValues => ({
	...Object.fromEntries(
		Object.entries(modelOf(kind.kind).parameters).flatMap(([name, { of, drawing }]) =>
			of === 'chance' ? [] : [[name, drawing]]
		)
	),
	...calm
});

interface Said {
	readonly leg: Leg;
	readonly reasons: readonly Reason[];
}

class Tried {
	readonly intended;
	readonly attempt;
	readonly said: readonly Said[];

	constructor(
		readonly of: Planted,
		private readonly planted: ParameterValues,
		private readonly seed: number
	) {
		const { plan, does, course } = of;
		const parameters = { robot1: { ...asDrawn(of), ...planted } };
		const more = { limit: 60, isWatched: true };
		this.intended = simulate({ plan, course, variation: 'ideal', seed: 1, ...more });
		this.attempt = simulate({
			plan: does ?? plan,
			course,
			variation: 'classroom',
			parameters,
			seed,
			...more
		});
		const { attempt, intended } = this;
		const run = attempt.runs[0]!;
		const legs = legsIn(attempt, run, intended);
		const look = reasonsIn({ attempt, run, legs, intended });
		this.said = legs.filter(isMove).map((leg) => ({ leg, reasons: look(leg) }));
	}

	with(plan: Sound['plan'], seed = this.seed): Tried {
		return new Tried({ ...this.of, plan }, this.planted, seed);
	}

	legOf({ span, round }: Leg): Leg | undefined {
		return this.said.find(({ leg }) => leg.span.stepId === span.stepId && leg.round === round)?.leg;
	}

	get named(): readonly string[] {
		const all = this.said.flatMap(({ reasons }) => reasons.map(({ matter }) => matter));
		return [...new Set(all)].filter((matter) => matter !== 'undecided');
	}
}

/** The leg that shows it: of the step that is said, or else the one that it changes most. */
function shownBy(tried: Tried, { shows }: Case): Said | undefined {
	if (shows !== undefined) return tried.said.find(({ leg }) => leg.span.number === shows);
	const sound = new Tried(tried.of, {}, seedOf(0));
	const changed = (leg: Leg): number => {
		const twin = sound.legOf(leg);
		if (!leg.added || !twin?.added) return 0;
		const { ahead, left, turn } = leg.added;
		const { added } = twin;
		return sizeOf({ ahead: ahead - added.ahead, left: left - added.left, turn: turn - added.turn });
	};
	return tried.said.toSorted((a, b) => changed(b.leg) - changed(a.leg))[0];
}

const seedOf = (i: number): number => 11 + i;

interface MendTried {
	readonly what: string;
	/** What is left of what the leg added, by another chance. */
	readonly left: number;
	readonly isUndone: boolean;
}

export interface FaultFound {
	readonly fault: Fault;
	/** For each of its cases, what was said first of the leg that shows it. */
	readonly said: readonly (readonly string[])[];
	readonly found: number;
	readonly mends: readonly MendTried[];
}

export function tryFault(fault: Fault): FaultFound {
	const tries = fault.cases.map((each, i) => {
		const tried = new Tried(each, each.planted, seedOf(i));
		const shown = shownBy(tried, each);
		return {
			said: shown?.reasons.map(({ matter }) => matter) ?? [],
			mends: mendsIn(tried, seedOf(i) + 100)
		};
	});
	return {
		fault,
		said: tries.map(({ said }) => said),
		found: tries.filter(({ said }) => said[0] === fault.matter).length,
		mends: tries.flatMap(({ mends }) => mends)
	};
}

/** All that would be offered, tried by another chance. */
function mendsIn(tried: Tried, seed: number): MendTried[] {
	const { plan } = tried.of;
	return tried.said.flatMap(({ leg, reasons }) =>
		reasons.flatMap(({ mend }): MendTried[] => {
			let count = 0;
			const newId = () => `new${(count += 1)}`;
			const better = mend && mended(plan, mend, newId);
			if (!better) return [];
			const again = tried.with(better);
			if (!isBetter(leg, again.attempt, again.intended)) return [];
			const [before, after] = [tried.with(plan, seed), tried.with(better, seed)];
			const size = (one: Tried) => sizeOf(one.legOf(leg)?.added ?? { ahead: 1, left: 0, turn: 0 });
			const applied = applyEdit(plan, mend.edit(plan, newId)!);
			if (!applied.ok) throw new Error(applied.failure.key);
			const undone = applyEdit(applied.value.document, applied.value.inverse);
			const isUndone = undone.ok && JSON.stringify(undone.value.document) === JSON.stringify(plan);
			return [{ what: mend.sentence.key, left: size(after) / size(before), isUndone }];
		})
	);
}

export const tryFaults = (): readonly FaultFound[] => faults.map(tryFault);

/** What is named in each sound attempt: nothing, if all is well. */
export const nameSound = (): readonly (readonly string[])[] =>
	sound.map((each, i) => new Tried(each, {}, seedOf(i)).named);
