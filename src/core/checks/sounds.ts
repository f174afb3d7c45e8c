/** Sounds for which a robot has no room. */
import { sampleRate } from '../sounds/limits';
import { clipBytes, clipSeconds, readClip, type Clip } from '../sounds/clip';
import { robotOfChain } from '../plan/plan';
import { problemAt, replaceAt, type Context, type Problem, type Visited } from './problem';

export function checkSounds({ plan, steps }: Context): Problem[] {
	/** By robot: what it holds by now. */
	const held = new Map<string, Map<string, Clip>>();
	return steps.flatMap((visited): Problem[] => {
		const { step, robot, chain } = visited;
		const clip = step.kind === 'clip' ? readClip(String(step.values.clip)) : null;
		if (!clip || robot.clipRoom === undefined) return [];
		const { id } = robotOfChain(plan, chain);
		const own = held.get(id) ?? new Map<string, Clip>();
		held.set(id, own.set(clip.id, clip));
		const bytes = [...own.values()].reduce((sum, each) => sum + clipBytes(each), 0);
		if (bytes <= robot.clipRoom) return [];
		own.delete(clip.id);
		const seconds = Math.floor(robot.clipRoom / (2 * sampleRate));
		return [problemAt(visited, 'clipTooLarge', { seconds }, { repair: asTone(visited, clip) })];
	});
}

const asTone = (visited: Visited, clip: Clip) =>
	replaceAt(visited, 'repair.asTone', [
		{
			kind: 'tone',
			values: {
				pitch: Math.max(50, Math.min(4000, clip.pitch)),
				length: Math.max(0.05, Math.round(clipSeconds(clip) * 20) / 20),
				then: visited.step.values.then ?? 'wait'
			}
		}
	]);
