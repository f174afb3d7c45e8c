/** How a move ends that nothing measures. */
import { motion } from '../devices/motion/device';
import type { Wait } from '../devices/port';
import type { Running } from './running';
import { choice } from './values';

export const ending = choice('brake', 'coast');
export const then = choice('waitStill', 'goOn');

/** Ends an open-loop move as its values say. */
export function stop({ ask, text }: Running): Wait | undefined {
	ask(motion, 'stop', { isCoasting: text('ending') === 'coast' });
	return text('then') === 'waitStill' ? ask(motion, 'stand', {}) : undefined;
}

/** Lets a while pass, then ends the move. */
export function stopAfter(running: Running): Wait {
	const pause = running.pause(running.number('duration'));
	let ending: Wait | undefined;
	let isStopping = false;
	return {
		isOver(time) {
			if (isStopping) return ending?.isOver(time) ?? true;
			if (!pause.isOver(time)) return false;
			isStopping = true;
			ending = stop(running);
			return ending?.isOver(time) ?? true;
		}
	};
}
