/** All steps, in the order the shelf offers them. A new step is added to the list of its family. */
import type { StepDefinition, Values } from './definition';
import { flowSteps } from './flow';
import { glowSteps } from './glow';
import { crewSteps, ownSteps } from './own';
import { reckonSteps, senseSteps } from './reckon';
import { soundSteps } from './sound';
import { travelSteps, waitStill } from './travel';
import { triggers } from './triggers';

export const catalogue: readonly StepDefinition[] = [
	...travelSteps,
	...glowSteps,
	...soundSteps,
	...flowSteps,
	waitStill,
	...senseSteps,
	...reckonSteps,
	...crewSteps,
	...ownSteps,
	...triggers
];

export const stepKinds = catalogue.filter((definition) => !definition.isTrigger);
export const triggerKinds = catalogue.filter((definition) => definition.isTrigger);

const byKind = new Map(catalogue.map((definition) => [definition.kind, definition]));

/** @throws when no step of this kind exists; documents are checked by their schema before. */
export function definitionOf(kind: string): StepDefinition {
	const definition = byKind.get(kind);
	if (!definition) throw new Error(`The catalogue has no step of kind "${kind}".`);
	return definition;
}

/** The values a new step of this kind starts with. */
export function initialValues(kind: string): Values {
	return Object.fromEntries(
		Object.entries(definitionOf(kind).values).map(([name, value]) => [name, value.initial])
	);
}

/** Whether a step of this kind may hang in a holder of that kind; `null` is a chain. */
export function mayHang(kind: string, holder: string | null): boolean {
	const branches = holder === null ? undefined : definitionOf(holder).branches;
	const definition = definitionOf(kind);
	if (definition.isTrigger) return false;
	return branches ? branches.includes(kind) : !definition.isBranch;
}
