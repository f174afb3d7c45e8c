/** What is odd about the steps of a rail car: no counter, too fast for a curve, longer than its rail. */
import type { Course } from '../../course/course';
import { RailPath } from '../../course/rails';
import { isExpression, type Values } from '../../steps/definition';
import type { Doing, Fault, ListedStep } from '../robot';
import * as settings from './settings';

/** The tightest curve of all rails, metres; Infinity without any. */
const tightest = ({ rails }: Course): number =>
	Math.min(
		...rails.flatMap(({ pieces }) => pieces.map((one) => ('radius' in one ? one.radius : Infinity)))
	);

/** Metres of the longest rail, without an end if it is closed. */
const longest = ({ rails }: Course): number =>
	Math.max(...rails.map((rail) => (rail.isClosed ? Infinity : new RailPath(rail).length)));

const numberOf = ({ values }: Doing, name: string): number =>
	typeof values[name] === 'number' ? Math.abs(values[name]) : NaN;

export function check(
	steps: readonly ListedStep[],
	{ counter }: Values,
	_isWhole: boolean,
	course?: Course
): readonly Fault[] {
	const radius = course ? tightest(course) : Infinity;
	const limit = settings.curveSpeed(radius) / settings.topSpeed;
	const room = course ? longest(course) : Infinity;
	return steps.flatMap((step): Fault[] => {
		if (step.off || !['go', 'goFor', 'start'].includes(step.kind)) return [];
		const speed = numberOf(step, 'speed');
		if (step.kind === 'go' && counter === 'missing')
			return [{ step, key: 'noCounter', mend: { key: 'fitCounter', fit: { counter: 'fitted' } } }];
		if (speed > limit && !isExpression(step.values.speed)) {
			const value = (Math.floor(limit * 0.9 * 20) / 20) * Math.sign(Number(step.values.speed));
			const set = { name: 'speed', value };
			const values = { radius, limit: Math.floor(limit * 100) / 100 };
			return [{ step, key: 'curveTooFast', values, mend: { key: 'slower', set } }];
		}
		if (numberOf(step, 'distance') > room && step.kind === 'go')
			return [{ step, key: 'railTooShort', values: { room } }];
		return [];
	});
}
