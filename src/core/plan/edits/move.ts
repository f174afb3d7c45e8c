/**
 * Moves steps that hang one after the other to another place. The place is named as the plan stands
 * before the move; a place inside the moved steps is refused.
 */
import { z } from 'zod';
import { identifierSchema } from '../../document';
import { failure, success } from '../../sentence';
import { checkHanging, depthOf, locateSteps, nestingAt, stepsIn, withStepsIn } from '../places';
import { maximumNesting } from '../plan';
import type { EditKind } from './edit';

const placeSchema = z.strictObject({ holder: identifierSchema, index: z.int().min(0) });

const schema = z.strictObject({
	type: z.literal('move'),
	from: placeSchema,
	count: z.int().min(1),
	to: placeSchema
});

export const move: EditKind<z.infer<typeof schema>> = {
	schema,
	apply(plan, edit) {
		const { from, to, count } = edit;
		const source = stepsIn(plan, from.holder);
		if (!source.ok) return source;
		const target = stepsIn(plan, to.holder);
		if (!target.ok) return target;
		const steps = source.value.slice(from.index, from.index + count);
		if (steps.length < count) return failure('edit.noPlace', { index: from.index });
		if (to.index > target.value.length) return failure('edit.noPlace', { index: to.index });

		const holder = locateSteps(plan).get(to.holder);
		const above = holder ? [...holder.around, holder.step] : [];
		if (above.some((step) => steps.includes(step))) return failure('edit.intoItself');
		const hanging = checkHanging(plan, to.holder, steps);
		if (!hanging.ok) return hanging;
		const nesting = nestingAt(plan, to.holder) + Math.max(...steps.map(depthOf));
		if (nesting > maximumNesting) return failure('edit.tooDeep', { maximum: maximumNesting });

		const sameList = from.holder === to.holder;
		const past = sameList && to.index > from.index;
		const landing = past ? Math.max(from.index, to.index - count) : to.index;
		const taken = withStepsIn(plan, from.holder, source.value.toSpliced(from.index, count));
		const rest = stepsIn(taken, to.holder);
		if (!rest.ok) return rest;
		return success({
			document: withStepsIn(taken, to.holder, rest.value.toSpliced(landing, 0, ...steps)),
			inverse: {
				type: 'move',
				from: { holder: to.holder, index: landing },
				count,
				to: { holder: from.holder, index: sameList && !past ? from.index + count : from.index }
			}
		});
	}
};
