/** Finds the type of an expression, or says in one sentence where it makes no sense. */
import { failure, success, type Result } from '../sentence';
import type { Node, Operator } from './expression';
import { combine, fits, hasSameUnit, isPlain, nameOfType, raise, types, type Type } from '../types';
import { constants, functions, isReading, readings, units } from './vocabulary';

/** The type of a variable or input, or undefined when there is none of this name. */
export type Scope = (name: string) => Type | undefined;

export function typeOf(node: Node, scope: Scope): Result<Type> {
	switch (node.type) {
		case 'number':
			return success(types.plain);
		case 'text':
			return success(types.text);
		case 'name':
			return typeOfName(node.name, scope);
		case 'unary':
			return typeOfUnary(node.operator, typeOf(node.of, scope));
		case 'call':
			return typeOfCall(node.name, node.inputs, scope);
		case 'binary': {
			const left = typeOf(node.left, scope);
			if (!left.ok) return left;
			const right = typeOf(node.right, scope);
			return right.ok ? typeOfBinary(node.operator, left.value, right.value) : right;
		}
	}
}

function typeOfName(name: string, scope: Scope): Result<Type> {
	const own = scope(name);
	if (own) return success(own);
	if (isReading(name)) return success(readings[name]!.type);
	if (Object.hasOwn(units, name)) return success(units[name]!.type);
	if (Object.hasOwn(constants, name)) return success(constants[name]!.type);
	return failure('expression.unknownName', { name });
}

function typeOfUnary(operator: '-' | 'not', of: Result<Type>): Result<Type> {
	if (!of.ok) return of;
	if (operator === 'not') return fits(of.value, types.truth) ? of : mismatch(types.truth, of.value);
	return isNumber(of.value) ? of : mismatch(types.plain, of.value);
}

const isNumber = (type: Type): boolean => type.kind === 'number' || type.kind === 'anything';

const mismatch = (wanted: Type, given: Type): Result<never> =>
	failure('expression.mismatch', { wanted: nameOfType(wanted), given: nameOfType(given) });

function typeOfBinary(operator: Operator, left: Type, right: Type): Result<Type> {
	switch (operator) {
		case 'and':
		case 'or':
			if (!fits(left, types.truth)) return mismatch(types.truth, left);
			return fits(right, types.truth) ? success(types.truth) : mismatch(types.truth, right);
		case '==':
		case '!=':
			return fits(left, right) ? success(types.truth) : mismatch(left, right);
		case '<':
		case '<=':
		case '>':
		case '>=': {
			const sum = sameNumbers(left, right);
			return sum.ok ? success(types.truth) : sum;
		}
		case '+':
		case '-':
		case 'mod':
			return sameNumbers(left, right);
		case '*':
		case '/': {
			if (!isNumber(left)) return mismatch(types.plain, left);
			if (!isNumber(right)) return mismatch(types.plain, right);
			if (left.kind !== 'number' || right.kind !== 'number') return success(types.anything);
			return success(combine(left, right, operator === '*' ? 1 : -1));
		}
		case '^':
			if (!fits(right, types.plain)) return mismatch(types.plain, right);
			return fits(left, types.plain) ? success(types.plain) : mismatch(types.plain, left);
	}
}

function sameNumbers(left: Type, right: Type): Result<Type> {
	if (!isNumber(left)) return mismatch(types.plain, left);
	if (!isNumber(right)) return mismatch(types.plain, right);
	if (left.kind !== 'number') return success(right);
	if (right.kind !== 'number') return success(left);
	if (!hasSameUnit(left, right)) return mismatch(left, right);
	return success(left.isPart ? left : right);
}

function typeOfCall(name: string, inputs: readonly Node[], scope: Scope): Result<Type> {
	const definition = functions[name]!;
	const given: Type[] = [];
	for (const input of inputs) {
		const type = typeOf(input, scope);
		if (!type.ok) return type;
		given.push(type.value);
	}
	const [one, two] = given as [Type, Type];
	switch (definition.unit) {
		case 'ofAngle':
			return fits(one, types.angle) || isPlain(one)
				? success(types.plain)
				: mismatch(types.angle, one);
		case 'angle':
			return fits(one, types.plain) ? success(types.angle) : mismatch(types.plain, one);
		case 'plain':
			return fits(one, types.plain) ? success(types.plain) : mismatch(types.plain, one);
		case 'root':
			if (!isNumber(one)) return mismatch(types.plain, one);
			return success(one.kind === 'number' ? raise(one, 0.5) : one);
		case 'list':
			if (!fits(one, types.list)) return mismatch(types.list, one);
			return fits(two, types.plain) ? success(types.anything) : mismatch(types.plain, two);
		case 'length':
			return fits(one, types.list) ? success(types.plain) : mismatch(types.list, one);
		case 'same': {
			let type: Result<Type> = success(one);
			if (!isNumber(one)) return mismatch(types.plain, one);
			for (const other of given) if (type.ok) type = sameNumbers(type.value, other);
			return type;
		}
	}
}

/**
 * A tree with the person's units where they left them out: `distanceAhead < 20` means 20 cm.
 * @param wanted what the value is for; a plain number there gets its unit, too
 * @param unitFor the name of the unit that the person reads such numbers in
 */
export function withUnits(
	node: Node,
	wanted: Type,
	scope: Scope,
	unitFor: (type: Type) => string | undefined
): Node {
	const inside = unitsInside(node, scope, unitFor);
	const type = typeOf(inside, scope);
	return type.ok && isPlain(type.value) ? withUnit(inside, wanted, unitFor) : inside;
}

function withUnit(node: Node, wanted: Type, unitFor: (type: Type) => string | undefined): Node {
	if (wanted.kind !== 'number' || isPlain(wanted)) return node;
	const unit = unitFor(wanted);
	if (!unit) return node;
	return { type: 'binary', operator: '*', left: node, right: { type: 'name', name: unit } };
}

const adding = new Set<Operator>(['+', '-', 'mod', '<', '<=', '>', '>=', '==', '!=']);

function unitsInside(node: Node, scope: Scope, unitFor: (type: Type) => string | undefined): Node {
	if (node.type === 'unary') return { ...node, of: unitsInside(node.of, scope, unitFor) };
	if (node.type === 'call') {
		return { ...node, inputs: node.inputs.map((input) => unitsInside(input, scope, unitFor)) };
	}
	if (node.type !== 'binary') return node;
	const left = unitsInside(node.left, scope, unitFor);
	const right = unitsInside(node.right, scope, unitFor);
	if (!adding.has(node.operator)) return { ...node, left, right };
	const leftType = typeOf(left, scope);
	const rightType = typeOf(right, scope);
	if (!leftType.ok || !rightType.ok) return { ...node, left, right };
	if (isPlain(leftType.value)) {
		return { ...node, left: withUnit(left, rightType.value, unitFor), right };
	}
	if (isPlain(rightType.value)) {
		return { ...node, left, right: withUnit(right, leftType.value, unitFor) };
	}
	return { ...node, left, right };
}
