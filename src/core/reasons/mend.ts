/**
 * What can be changed in a plan so that a leg misses less. A mend is offered only after it was tried:
 * the same plan with it, by the same chance, has to halve at least what the leg added.
 */
import { legsIn, type Leg } from '../attempts/legs';
import { canDo } from '../robots/robot';
import { robotKindOf } from '../robots/kinds';
import { pacing } from '../devices/pacing/device';
import { turning } from '../devices/turning/device';
import { applyEdit, type Edit } from '../plan/edits';
import { findStep, locateSteps, stepsIn } from '../plan/places';
import type { Plan } from '../plan/plan';
import { standFirst } from '../plan/stand-first';
import type { Sentence } from '../sentence';
import type { Attempt } from '../simulation/attempt';
import { degrees } from '../units/angles';
import { sizeOf, type LegScene } from './reason';

export interface LegMend {
	/** What it does: `mend.<what>`. */
	readonly sentence: Sentence;
	/** @param newId gives identifiers for new steps; null where the plan has no place for it any more */
	readonly edit: (plan: Plan, newId: () => string) => Edit | null | undefined;
}

/** Metres that a robot keeps from what it ran into. */
const clearance = 0.01;
/** By which a speed is raised at once, and steps in which people choose speeds. */
const much = 2;
const speedStep = 0.05;

const toStep = (value: number, step: number): number =>
	Number((Math.round(value / step) * step).toFixed(3));
const downTo = (value: number, step: number): number =>
	Number((Math.floor(value / step) * step).toFixed(3));

export const standBefore = ({ span: { stepId } }: Leg): LegMend => ({
	sentence: { key: 'mend.stand' },
	edit(plan, newId) {
		const place = locateSteps(plan).get(stepId)?.place;
		const siblings = place && stepsIn(plan, place.holder);
		return siblings?.ok ? standFirst(place!, siblings.value, newId) : null;
	}
});

/** As far as there was room. */
export function asFarAsItCame({ span, did }: Leg): LegMend | undefined {
	const { distance } = span.values;
	if (typeof distance !== 'number') return undefined;
	const value = Math.sign(distance) * downTo(Math.abs(did.ahead) - clearance, 0.01);
	if (!(Math.abs(value) > 0)) return undefined;
	return {
		sentence: { key: 'mend.shorter', values: { centimetres: Math.abs(value) * 100 } },
		edit: numberEdit(span.stepId, 'distance', value)
	};
}

/** Faster, where the step says how fast: what comes with time comes less. */
export function faster({ span }: Leg): LegMend | undefined {
	const { speed } = span.values;
	if (typeof speed !== 'number') return undefined;
	const wanted = Math.min(1, toStep(speed * much, speedStep));
	if (wanted <= speed) return undefined;
	return {
		sentence: { key: 'mend.faster', values: { percent: wanted * 100 } },
		edit: numberEdit(span.stepId, 'speed', wanted)
	};
}

/** A move by time becomes one by its length, or its angle, where the robot can measure that. */
export function byMeasure(leg: Leg, { run }: LegScene): LegMend | undefined {
	const { span, meant } = leg;
	const kind = robotKindOf(run.robot.kind);
	const { direction, speed } = span.values;
	if (!meant || !span.isComplete) return undefined;
	if (span.kind === 'goFor' && canDo(kind, [pacing])) {
		const distance = toStep(Math.abs(meant.ahead), 0.01);
		return {
			sentence: { key: 'mend.byLength', values: { centimetres: distance * 100 } },
			edit: instead(span.stepId, 'go', {
				direction: direction as string,
				distance,
				speed: speed as number
			})
		};
	}
	if (span.kind !== 'turnFor' || !canDo(kind, [turning])) return undefined;
	const angle = toStep(Math.abs(degrees(meant.turn)), 1);
	return {
		sentence: { key: 'mend.byAngle', values: { angle } },
		edit: instead(span.stepId, 'turn', { direction: direction as string, angle })
	};
}

/** Its brakes end it, in place of the floor. */
export const brakeAtEnd = ({ span: { stepId, values } }: Leg): LegMend | undefined =>
	values.ending === 'coast'
		? {
				sentence: { key: 'mend.brake' },
				edit: (plan) =>
					findStep(plan, stepId)?.values.ending === 'coast'
						? { type: 'setValue', step: stepId, name: 'ending', value: 'brake' }
						: null
			}
		: undefined;

/** A number in the place of a number: what is worked out, or sensed, stays. */
const numberEdit =
	(step: string, name: string, value: number): LegMend['edit'] =>
	(plan) =>
		typeof findStep(plan, step)?.values[name] === 'number'
			? { type: 'setValue', step, name, value }
			: null;

const instead =
	(
		stepId: string,
		kind: string,
		values: Readonly<Record<string, string | number>>
	): LegMend['edit'] =>
	(plan) => {
		const place = locateSteps(plan).get(stepId)?.place;
		// It keeps its id: so its leg is known again.
		const step = { id: stepId, kind, values };
		return (
			place && {
				type: 'together',
				edits: [
					{ type: 'remove', ...place, count: 1 },
					{ type: 'insert', ...place, steps: [step] }
				]
			}
		);
	};

/** @returns the plan with it; null where it does not fit */
export function mended(plan: Plan, { edit }: LegMend, newId: () => string): Plan | null {
	const made = edit(plan, newId);
	const applied = made && applyEdit(plan, made);
	return applied?.ok ? applied.value.document : null;
}

/** What it has to leave at most. */
const left = 0.5;

/**
 * Whether a leg misses by half or less of what it did.
 * @param tried the mended plan by the same chance @param intended the same on an ideal robot
 */
export function isBetter(
	{ span, round, added }: Leg,
	tried: Attempt,
	intended: Attempt | null
): boolean {
	const run = tried.runs.find(({ id }) => id === span.robot);
	const legs = run ? legsIn(tried, run, intended) : [];
	const twin = legs.find((each) => each.span.stepId === span.stepId && each.round === round);
	return Boolean(added && twin?.added && sizeOf(twin.added) <= left * sizeOf(added));
}
