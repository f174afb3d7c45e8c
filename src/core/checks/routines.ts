/** Routines: whether each is there, is used, and does not call itself. */
import { routinesOf } from '../plan/variables';
import { problemAt, type Context, type Problem } from './problem';

export function checkRoutines({ plan, steps }: Context): Problem[] {
	const routines = routinesOf(plan);
	const calls = steps.filter(({ step }) => step.kind === 'call');
	const calledIn = new Map<string, string[]>();
	for (const { step, chain } of calls) {
		const list = calledIn.get(chain.id) ?? [];
		calledIn.set(chain.id, [...list, String(step.values.routine)]);
	}

	const missing = calls
		.filter(({ step }) => !routines.has(String(step.values.routine)))
		.map((call) =>
			problemAt(call, 'noRoutine', { name: String(call.step.values.routine) }, { value: 'routine' })
		);
	const called = new Set(calls.map(({ step }) => String(step.values.routine)));
	const others = [...routines].flatMap(([name, chain]): Problem[] => {
		const place = `chains[${plan.chains.indexOf(chain)}].trigger`;
		const here = { step: chain.trigger!, place };
		if (chain.trigger!.off) return [];
		if (reaches(name, name, routines, calledIn)) return [problemAt(here, 'callsItself', { name })];
		if (called.has(name)) return [];
		const user = plan.chains.find(({ trigger }) => trigger && trigger.kind !== 'routine');
		if (!user) return [problemAt(here, 'unusedRoutine', { name })];
		const repair = {
			key: 'repair.use',
			edit: (newId: () => string) => ({
				type: 'insert' as const,
				holder: user.id,
				index: user.steps.length,
				steps: [{ id: newId(), kind: 'call', values: { routine: name } }]
			})
		};
		return [problemAt(here, 'unusedRoutine', { name }, { repair })];
	});
	return [...missing, ...others];
}

/** Whether a routine calls the wanted one, itself or through others. */
function reaches(
	from: string,
	wanted: string,
	routines: ReturnType<typeof routinesOf>,
	calledIn: ReadonlyMap<string, readonly string[]>,
	seen = new Set<string>()
): boolean {
	const called = calledIn.get(routines.get(from)?.id ?? '') ?? [];
	return called.some((name) => {
		if (name === wanted) return true;
		if (seen.has(name)) return false;
		seen.add(name);
		return reaches(name, wanted, routines, calledIn, seen);
	});
}
