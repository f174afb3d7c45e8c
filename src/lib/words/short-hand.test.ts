import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planSchema, type Step } from '$core/plan/plan';
import { planOf } from '$core/testing/sample';
import { isSeveral, readTyped } from './short-hand';

const place = { plan: planOf([]), level: 'full' as const, holder: null };

/** A step with what hangs in it: "repeat(go turn)". */
const shape = ({ kind, body }: Step): string =>
	body ? `${kind}(${body.map(shape).join(' ')})` : kind;

describe('several steps as they are typed', () => {
	it.each([
		['go 60; right 90; x4; lamp blue', 'repeat(go turn) lamp'],
		['go 60\nright 90', 'go turn'],
		['x3 (go 10; left 20)', 'repeat(go turn)'],
		['(go 10; left 20) x3; stop', 'repeat(go turn) stop'],
		['x2 (go 10; x3 (left 20))', 'repeat(go repeat(turn))'],
		['repeat 3 (go 10)', 'repeat(go)'],
		['forever (go 10; left 5)', 'forever(go turn)'],
		['together (go 30) (lamp blue; wait 1)', 'together(side(go) side(lamp wait))'],
		['if distance ahead < 20 cm (stop)', 'choose(when(stop))'],
		[
			'if bumped (back 10) else if touched (stop) else (go 10); stop',
			'choose(when(go) when(stop) otherwise(go)) stop'
		],
		['x2 (x2 (x2 ()))', 'repeat(repeat(repeat()))']
	])('"%s" is %s', (text, shapes) => {
		const read = readTyped(text, place);
		expect(read).toMatchObject({ kind: 'steps' });
		if (read.kind !== 'steps') return;
		expect(read.steps.map(shape).join(' ')).toBe(shapes);
		const ids = JSON.stringify(read.steps).match(/"id":"\w+"/g)!;
		expect(new Set(ids).size).toBe(ids.length);
		expect(planSchema.safeParse(planOf(read.steps)).error).toBeUndefined();
		expect(isSeveral(text)).toBe(true);
	});

	it('keeps the values', () => {
		expect(readTyped('x3 (go 10; if distance ahead < 20 cm (lamp red))', place)).toMatchObject({
			steps: [
				{
					values: { times: 3 },
					body: [
						{ values: { distance: 0.1 } },
						{
							body: [
								{
									values: { condition: { expression: 'distanceAhead < 20 * cm' } },
									body: [{ values: { colour: '#ff6b5c' } }]
								}
							]
						}
					]
				}
			]
		});
	});

	it.each([
		['go 60; fly 3', 'fly', /A step was expected/],
		['lamp plaid; go 1', 'plaid', /^Lamp takes Colour: amber, white, coral/],
		[
			'go 60; turn north',
			'north',
			/^Turn takes Direction: right, left; Angle from -3,600 to 3,600 °/
		],
		['go 6000; left 1', '6000', /^Go takes .*Distance from -1,000 to 1,000 cm/],
		['x3 (go 10', '(', /never closed/],
		['go 10)', ')', /closes nothing/],
		['x0 (go 10)', 'x0', /from 1 to 1,000/],
		['x3 go 10; stop', 'go 10', /in brackets/],
		['x4; go 10', 'x4', /behind the steps/],
		['(go 10) twice', 'twice', /how often/],
		['go 10 (left 5)', '(', /needs no brackets/],
		['if colour of soup (stop)', 'colour of soup', /./],
		['if bumped (stop) maybe (go 1)', 'maybe', /else/],
		['together; go 1', '', /in brackets/],
		[`${'('.repeat(21)}${')'.repeat(21)}`, '(', /Too many/]
	])('"%s" names "%s"', (text, part, expected) => {
		const read = readTyped(text, place);
		expect(read.kind).toBe('notUnderstood');
		if (read.kind !== 'notUnderstood') return;
		expect(text.slice(read.from, read.to)).toBe(part);
		expect(read.expected).toMatch(expected);
	});

	it('never breaks, and marks a part of the text', () => {
		const words = [
			'go',
			'10',
			'x3',
			'(',
			')',
			';',
			'if',
			'else',
			'bumped',
			'together',
			' ',
			'\n',
			'×',
			'é'
		];
		fc.assert(
			fc.property(fc.array(fc.constantFrom(...words), { maxLength: 30 }), (parts) => {
				const text = parts.join(' ');
				const read = readTyped(text, place);
				if (read.kind === 'steps') return;
				expect(read.from).toBeGreaterThanOrEqual(0);
				expect(read.to).toBeGreaterThanOrEqual(read.from);
				expect(read.to).toBeLessThanOrEqual(text.length);
			})
		);
	});
});
