/** Short ways to define the values of steps. Ranges are what makes sense for a toy on a floor. */
import { flying } from '../devices/flying/device';
import { types, type Type } from '../types';
import type {
	ChoiceDefinition,
	ConditionDefinition,
	NameDefinition,
	NumberDefinition,
	Quantity,
	ValueDefinition
} from './definition';

const number =
	(quantity: NumberDefinition['quantity'], minimum: number, maximum: number, increment: number) =>
	(initial: number, changes: Partial<NumberDefinition> = {}): NumberDefinition => ({
		type: 'number',
		quantity,
		minimum,
		maximum,
		increment,
		initial,
		...changes
	});

/** Metres. */
export const length = number('length', 0.01, 10, 0.01);
/** Degrees. */
export const angle = number('angle', 1, 3600, 1);
/** Seconds. */
export const duration = number('duration', 0.01, 600, 0.1);
/** 0 to 1. */
export const ratio = number('ratio', 0, 1, 0.05);
/** Part of the top speed; negative is backwards. */
export const power = number('power', -1, 1, 0.05);
export const count = number('count', 1, 1000, 1);
export const plain = number('number', -1e6, 1e6, 1);

export const choice = (...options: [string, ...string[]]): ChoiceDefinition => ({
	type: 'choice',
	options,
	initial: options[0]
});

/** Directions that every robot can go in, and those that only what flies can. */
export const directions: ChoiceDefinition = {
	...choice('forward', 'back', 'left', 'right', 'up', 'down'),
	needs: { left: flying, right: flying, up: flying, down: flying }
};

export const condition = (expression: string): ConditionDefinition => ({
	type: 'condition',
	initial: { expression }
});

export const name = (of: NameDefinition['of'], initial: string): NameDefinition => ({
	type: 'name',
	of,
	initial
});

const typesOfQuantity: Record<Quantity, readonly Type[]> = {
	length: [types.length],
	angle: [types.angle],
	duration: [types.duration],
	ratio: [types.part],
	power: [types.part, types.speed],
	count: [types.plain],
	number: [types.plain],
	frequency: [types.frequency]
};

/** What an expression may give in this slot, the usual one first. */
export function wantedType(slot: ValueDefinition): readonly [Type, ...Type[]] {
	if (slot.type === 'number') return typesOfQuantity[slot.quantity] as [Type, ...Type[]];
	return [slot.type === 'condition' ? types.truth : types.anything];
}
