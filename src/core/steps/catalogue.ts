/** All steps, in the order the shelf offers them. A new step is added to its family and to this list. */
import type { StepDefinition, Values } from './definition';
import { repeat, wait, whenRunPressed } from './flow';
import { lamp } from './glow';
import { tone } from './sound';
import { go, turn } from './travel';

export const catalogue: readonly StepDefinition[] = [
	go,
	turn,
	lamp,
	tone,
	wait,
	repeat,
	whenRunPressed
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
