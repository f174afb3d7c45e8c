/** Chains come and go whole, and are tied to a trigger or untied from it. */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { checkNesting, locateSteps, withChain } from '../places';
import { chainSchema, eachStep, triggerSchema, type Chain, type Plan } from '../plan';
import type { EditKind } from './edit';

const addSchema = z.strictObject({
	type: z.literal('addChain'),
	index: z.int().min(0),
	chain: chainSchema
});

export const addChain: EditKind<z.infer<typeof addSchema>> = {
	schema: addSchema,
	apply(plan, edit) {
		if (edit.index > plan.chains.length) return failure('edit.noPlace', { index: edit.index });
		const hanging = checkNesting(edit.chain.steps, null);
		if (!hanging.ok) return hanging;
		const clash = idsOf(edit.chain).find((id) => usesId(plan, id));
		if (clash) return failure('edit.repeatedId', { id: clash });
		return success({
			document: { ...plan, chains: plan.chains.toSpliced(edit.index, 0, edit.chain) },
			inverse: { type: 'removeChain', chain: edit.chain.id }
		});
	}
};

const removeSchema = z.strictObject({ type: z.literal('removeChain'), chain: identifierSchema });

export const removeChain: EditKind<z.infer<typeof removeSchema>> = {
	schema: removeSchema,
	apply(plan, edit) {
		const index = plan.chains.findIndex((chain) => chain.id === edit.chain);
		const chain = plan.chains[index];
		if (!chain) return failure('edit.noHolder', { id: edit.chain });
		return success({
			document: { ...plan, chains: plan.chains.toSpliced(index, 1) },
			inverse: { type: 'addChain', index, chain }
		});
	}
};

const tieSchema = z.strictObject({
	type: z.literal('tie'),
	chain: identifierSchema,
	trigger: triggerSchema
});

export const tie: EditKind<z.infer<typeof tieSchema>> = {
	schema: tieSchema,
	apply(plan, edit) {
		const chain = plan.chains.find((candidate) => candidate.id === edit.chain);
		if (!chain) return failure('edit.noHolder', { id: edit.chain });
		if (chain.trigger) return failure('edit.alreadyTied');
		if (usesId(plan, edit.trigger.id)) return failure('edit.repeatedId', { id: edit.trigger.id });
		return success({
			document: withChain(plan, edit.chain, (old) => ({ ...old, trigger: edit.trigger })),
			inverse: { type: 'untie', chain: edit.chain }
		});
	}
};

const untieSchema = z.strictObject({ type: z.literal('untie'), chain: identifierSchema });

export const untie: EditKind<z.infer<typeof untieSchema>> = {
	schema: untieSchema,
	apply(plan, edit) {
		const chain = plan.chains.find((candidate) => candidate.id === edit.chain);
		if (!chain) return failure('edit.noHolder', { id: edit.chain });
		if (!chain.trigger) return failure('edit.notTied');
		return success({
			document: withChain(plan, edit.chain, (old) => ({ ...old, trigger: null })),
			inverse: { type: 'tie', chain: edit.chain, trigger: chain.trigger }
		});
	}
};

function idsOf(chain: Chain): string[] {
	const ids = [chain.id];
	if (chain.trigger) ids.push(chain.trigger.id);
	eachStep(chain.steps, (step) => ids.push(step.id));
	return ids;
}

const usesId = (plan: Plan, id: string): boolean =>
	locateSteps(plan).has(id) ||
	plan.chains.some((chain) => chain.id === id || chain.trigger?.id === id);
