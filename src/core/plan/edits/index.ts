/**
 * Every change of a plan is an edit: a plain value that can be sent, kept and undone. Applying one
 * gives the new plan and the edit that takes it back; a refused one gives a sentence and changes
 * nothing. Several together are an edit too, and are undone together.
 */
import { success, type Result } from '../../sentence';
import type { Value } from '../../steps/definition';
import type { Chain, Plan, PlanRobot, Step } from '../plan';
import type { Place } from '../places';
import { addChain, removeChain, tie, untie } from './chains';
import type { Applied, EditKind } from './edit';
import { insert } from './insert';
import { move } from './move';
import { remove } from './remove';
import { rename } from './rename';
import { setComment, setOff } from './mark';
import { setRobot } from './set-robot';
import { setValue } from './set-value';

export type Edit =
	| { type: 'insert'; holder: string; index: number; steps: Step[] }
	| { type: 'remove'; holder: string; index: number; count: number }
	| { type: 'move'; from: Place; count: number; to: Place }
	| { type: 'setValue'; step: string; name: string; value?: Value | undefined }
	| { type: 'setOff'; step: string; off: boolean }
	| { type: 'setComment'; step: string; text: string }
	| { type: 'setRobot'; index: number; robot: PlanRobot }
	| { type: 'addChain'; index: number; chain: Chain }
	| { type: 'removeChain'; chain: string }
	| { type: 'tie'; chain: string; trigger: Step }
	| { type: 'untie'; chain: string }
	| { type: 'rename'; name: string }
	| { type: 'together'; edits: Edit[] };

type Kinds = { [E in Exclude<Edit, { type: 'together' }> as E['type']]: EditKind<E> };

const kinds: Kinds = {
	insert,
	remove,
	move,
	setValue,
	setOff,
	setComment,
	setRobot,
	addChain,
	removeChain,
	tie,
	untie,
	rename
};

export function applyEdit(plan: Plan, edit: Edit): Result<Applied> {
	if (edit.type === 'together') return applyTogether(plan, edit.edits);
	return (kinds[edit.type] as EditKind<Edit>).apply(plan, edit);
}

function applyTogether(plan: Plan, edits: readonly Edit[]): Result<Applied> {
	const inverses: Edit[] = [];
	let current = plan;
	for (const edit of edits) {
		const applied = applyEdit(current, edit);
		if (!applied.ok) return applied;
		current = applied.value.plan;
		inverses.unshift(applied.value.inverse);
	}
	return success({ plan: current, inverse: { type: 'together', edits: inverses } });
}
