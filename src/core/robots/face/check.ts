/** What is odd about the steps of a face robot: patches that never shine. */
import { definitionOf } from '../../steps/catalogue';
import type { Values } from '../../steps/definition';
import type { Doing, Fault } from '../robot';

const isDark = ({ values: { left, right } }: Doing): boolean => left === 0 && right === 0;
const isPatch = ({ kind }: Doing): boolean => kind === 'patches' || kind === 'patchesFor';

export function check(
	steps: readonly Doing[],
	_settings: Values,
	isWhole: boolean
): readonly Fault[] {
	if (!isWhole) return [];
	const lit = steps.filter(({ off }) => !off);
	const [first] = lit.filter(isPatch);
	const isMoved = lit.some(
		(step) => definitionOf(step.kind).hasBody || (definitionOf(step.kind).drives && !isDark(step))
	);
	return first && !isMoved ? [{ step: first, key: 'alwaysDark' }] : [];
}
