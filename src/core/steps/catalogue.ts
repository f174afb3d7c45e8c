/** What is known of all steps. */
import type { StepDefinition, Values } from './definition';
import { catalogue } from './list';

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
