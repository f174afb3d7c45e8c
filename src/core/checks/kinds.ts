/** What a kind of robot itself finds odd: order and sense of what only it can do. */
import { robotOfChain } from '../plan/plan';
import { problemAt, type Context, type Problem } from './problem';

export function checkKinds(context: Context): Problem[] {
	return context.steps.flatMap((here): Problem[] => {
		const { robot, chain, siblings, index, holder } = here;
		if (!robot.check || index !== siblings.findIndex(({ off }) => !off)) return [];
		const { settings } = robotOfChain(context.plan, chain);
		const isWhole = holder === chain.id && chain.trigger?.kind === 'whenRunPressed';
		const faults = robot.check(siblings, settings, isWhole);
		return faults.flatMap(({ step, key, values }) => {
			const place = context.steps.find((one) => one.step === step);
			return place ? [problemAt(place, key, values)] : [];
		});
	});
}
