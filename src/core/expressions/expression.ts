/**
 * Expressions: what stands in a value instead of a plain number, such as `360 / sides` or
 * `distanceAhead < 20*cm`. A document keeps the text; the package jsep parses it, and what it gives is
 * taken over into the few shapes below, so that nothing else can ever be evaluated.
 */
import jsep from 'jsep';
import { failure, success, word, type Result } from '../sentence';
import { functions } from './vocabulary';

/** As it stands in a document. */
export interface Expression {
	readonly expression: string;
}

export type Operator =
	'or' | 'and' | '==' | '!=' | '<' | '<=' | '>' | '>=' | '+' | '-' | '*' | '/' | 'mod' | '^';

export type Node =
	| { readonly type: 'number'; readonly value: number }
	| { readonly type: 'text'; readonly value: string }
	| { readonly type: 'name'; readonly name: string }
	| { readonly type: 'call'; readonly name: string; readonly inputs: readonly Node[] }
	| { readonly type: 'unary'; readonly operator: '-' | 'not'; readonly of: Node }
	| {
			readonly type: 'binary';
			readonly operator: Operator;
			readonly left: Node;
			readonly right: Node;
	  };

/** Longer or deeper than a person writes. */
export const maximumLength = 300;
const maximumDepth = 24;

/** How tightly operators bind. */
export const precedence: Record<Operator, number> = {
	or: 1,
	and: 2,
	'==': 3,
	'!=': 3,
	'<': 4,
	'<=': 4,
	'>': 4,
	'>=': 4,
	'+': 5,
	'-': 5,
	'*': 6,
	'/': 6,
	mod: 6,
	'^': 7
};

jsep.removeAllUnaryOps();
jsep.removeAllBinaryOps();
jsep.removeAllLiterals();
jsep.addUnaryOp('-');
jsep.addUnaryOp('not');
for (const [operator, binding] of Object.entries(precedence)) jsep.addBinaryOp(operator, binding);

const parsed = new Map<string, Result<Node>>();
/** Texts remembered; a plan has far fewer. */
const maximumRemembered = 5000;

/** The tree of an expression's text. Texts are remembered, so that this costs nothing when repeated. */
export function parse(text: string): Result<Node> {
	const known = parsed.get(text);
	if (known) return known;
	if (parsed.size >= maximumRemembered) parsed.clear();
	const made = parseAnew(text);
	parsed.set(text, made);
	return made;
}

function parseAnew(text: string): Result<Node> {
	if (text.length > maximumLength) return failure('expression.tooLong', { maximum: maximumLength });
	let tree: jsep.Expression;
	try {
		tree = jsep(text);
	} catch (error) {
		const index = (error as { index?: number }).index;
		if (index === undefined) throw error;
		return failure('expression.notUnderstood', { near: near(text, index) });
	}
	return takeOver(tree, 0);
}

const near = (text: string, index: number): string =>
	text.slice(index).trim().slice(0, 12) || text.trim().slice(-12);

function takeOver(tree: jsep.Expression, depth: number): Result<Node> {
	if (depth > maximumDepth) return failure('expression.tooDeep');
	switch (tree.type) {
		case 'Literal':
			return takeOverLiteral((tree as jsep.Literal).value);
		case 'Identifier':
			return success({ type: 'name', name: (tree as jsep.Identifier).name });
		case 'UnaryExpression': {
			const { operator, argument } = tree as jsep.UnaryExpression;
			const of = takeOver(argument, depth + 1);
			return of.ok ? success({ type: 'unary', operator: operator as '-', of: of.value }) : of;
		}
		case 'BinaryExpression': {
			const { operator, left, right } = tree as jsep.BinaryExpression;
			const first = takeOver(left, depth + 1);
			if (!first.ok) return first;
			const second = takeOver(right, depth + 1);
			if (!second.ok) return second;
			return success({
				type: 'binary',
				operator: operator as Operator,
				left: first.value,
				right: second.value
			});
		}
		case 'CallExpression': {
			const { callee, arguments: given } = tree as jsep.CallExpression;
			const { name } = callee as jsep.Identifier;
			const known = Object.hasOwn(functions, String(name)) ? functions[name] : undefined;
			if (!known) return failure('expression.unknownFunction', { name: String(name ?? '') });
			if (given.length < known.least || given.length > known.most) {
				return failure('expression.inputs', { name: word(`function.${name}`), count: known.least });
			}
			const inputs: Node[] = [];
			for (const input of given) {
				const taken = takeOver(input, depth + 1);
				if (!taken.ok) return taken;
				inputs.push(taken.value);
			}
			return success({ type: 'call', name, inputs });
		}
		case 'Compound': {
			const [, second] = (tree as jsep.Compound).body;
			return second ? failure('expression.missingOperator') : failure('expression.empty');
		}
		default:
			return failure('expression.onlyValues');
	}
}

function takeOverLiteral(value: unknown): Result<Node> {
	if (typeof value === 'number' && Number.isFinite(value))
		return success({ type: 'number', value });
	if (typeof value === 'string') return success({ type: 'text', value });
	return failure('expression.onlyValues');
}

/** How the parts of an expression are written. */
export interface Style {
	number(value: number): string;
	text(value: string): string;
	name(name: string): string;
	operator(operator: Operator | 'not'): string;
	/** What is measured, and its unit; undefined when it is written as a product. */
	measure?(value: string, unit: string): string | undefined;
}

const plainStyle: Style = {
	number: String,
	text: (value) => JSON.stringify(value),
	name: (name) => name,
	operator: (operator) => operator
};

/** The text of a tree; in the plain style, `parse` gives the same tree again. */
export function write(node: Node, style: Style = plainStyle): string {
	switch (node.type) {
		case 'number':
			return style.number(node.value);
		case 'text':
			return style.text(node.value);
		case 'name':
			return style.name(node.name);
		case 'call':
			return `${style.name(node.name)}(${node.inputs.map((input) => write(input, style)).join(', ')})`;
		case 'unary': {
			const inside = write(node.of, style);
			const word = node.operator === '-' ? '-' : `${style.operator('not')} `;
			return node.of.type === 'binary' || node.of.type === 'unary'
				? `${word}(${inside})`
				: `${word}${inside}`;
		}
		case 'binary': {
			const { operator, left, right } = node;
			const leftText = write(left, style);
			if (operator === '*' && right.type === 'name') {
				const measure = style.measure?.(leftText, right.name);
				if (measure !== undefined) return measure;
			}
			const first = bracketed(left, leftText, precedence[operator]);
			const second = bracketed(right, write(right, style), precedence[operator] + 1);
			return `${first} ${style.operator(operator)} ${second}`;
		}
	}
}

const bracketed = (node: Node, text: string, binding: number): string =>
	node.type === 'binary' && precedence[node.operator] < binding ? `(${text})` : text;

/** Calls `visit` for each name in the tree that is not a function's. */
export function eachName(node: Node, visit: (name: string) => void): void {
	if (node.type === 'name') visit(node.name);
	else if (node.type === 'call') node.inputs.forEach((input) => eachName(input, visit));
	else if (node.type === 'unary') eachName(node.of, visit);
	else if (node.type === 'binary') {
		eachName(node.left, visit);
		eachName(node.right, visit);
	}
}

/** The same tree with another name in place of one; texts and functions stay. */
export function renamedTo(node: Node, before: string, after: string): Node {
	const inside = (part: Node): Node => renamedTo(part, before, after);
	switch (node.type) {
		case 'name':
			return node.name === before ? { ...node, name: after } : node;
		case 'call':
			return { ...node, inputs: node.inputs.map(inside) };
		case 'unary':
			return { ...node, of: inside(node.of) };
		case 'binary':
			return { ...node, left: inside(node.left), right: inside(node.right) };
		default:
			return node;
	}
}

/** How many pieces a tree has. */
export function countNodes(node: Node): number {
	switch (node.type) {
		case 'call':
			return node.inputs.reduce((sum, input) => sum + countNodes(input), 1);
		case 'unary':
			return 1 + countNodes(node.of);
		case 'binary':
			return 1 + countNodes(node.left) + countNodes(node.right);
		default:
			return 1;
	}
}
