/** Whether chains are lit, and whether what their triggers wait for is there. */
import type { Edit } from '../plan/edits';
import { missingOf } from '../robots/robot';
import { definitionOf } from '../steps/catalogue';
import { isLit, type Chain, type Plan } from '../plan/plan';
import { problemAt, type Context, type Problem, type Repair } from './problem';

export function checkChains(context: Context): Problem[] {
	const { plan } = context;
	const lit = plan.chains.find(isLit);
	const problems = plan.chains.flatMap((chain, index) => {
		const place = `chains[${index}]`;
		if (!chain.trigger) {
			const sentence = { key: 'check.unlit' };
			return [{ place, id: chain.id, sentence, repair: lit ? tieTo(lit, chain) : light(chain) }];
		}
		return checkTrigger(context, chain, place);
	});
	if (!lit && plan.chains.length > 0) {
		problems.unshift({ place: 'chains', id: '', sentence: { key: 'check.nothingLit' } });
	}
	return problems;
}

/** Hangs the steps of the unlit chain at the end of the lit one. */
const tieTo = (lit: Chain, unlit: Chain): Repair => ({
	key: 'repair.tie',
	edit: () => tieEdit(lit, unlit)
});

export function tieEdit(lit: Chain, unlit: Chain): Edit {
	const edits: Edit[] = [{ type: 'removeChain', chain: unlit.id }];
	if (unlit.steps.length > 0) {
		const from = { holder: unlit.id, index: 0 };
		const to = { holder: lit.id, index: lit.steps.length };
		edits.unshift({ type: 'move', from, count: unlit.steps.length, to });
	}
	return { type: 'together', edits };
}

const light = (chain: Chain): Repair => ({
	key: 'repair.light',
	edit: (newId) => ({
		type: 'tie',
		chain: chain.id,
		trigger: { id: newId(), kind: 'whenRunPressed', values: {} }
	})
});

function checkTrigger(context: Context, chain: Chain, place: string): Problem[] {
	const { plan, course, steps, robotOf } = context;
	const step = chain.trigger!;
	const here = { step, place: `${place}.trigger` };
	if (step.off) return [];
	const missing = missingOf(robotOf(chain), definitionOf(step.kind).needs);
	if (missing) return [problemAt(here, `cannot.${missing.id}`)];
	if (step.kind === 'whenMessage') {
		const { message } = step.values;
		const isSent = steps.some(
			({ step: { kind, values } }) => kind === 'send' && values.message === message
		);
		if (!isSent) return [problemAt(here, 'nobodySends', { message: String(message) })];
	}
	if (step.kind === 'whenLampPost' && course) {
		const { post } = step.values;
		const isThere = course.lampPosts.some(({ id }) => post === '' || id === post);
		const key = post === '' ? 'noLampPosts' : 'noLampPost';
		if (!isThere) return [problemAt(here, key, { post: String(post) })];
	}
	if (step.kind === 'whenEdge' && course && !course.table) return [problemAt(here, 'noEdge')];
	return isRepeatedRoutine(plan, chain) ? [problemAt(here, 'sameRoutine')] : [];
}

const isRepeatedRoutine = (plan: Plan, chain: Chain): boolean =>
	chain.trigger?.kind === 'routine' &&
	plan.chains.some(
		(other) =>
			other !== chain &&
			other.trigger?.kind === 'routine' &&
			other.trigger.values.name === chain.trigger!.values.name
	);
