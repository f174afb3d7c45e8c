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

/** Lets a while pass, then does what ends it, and waits for that. */
export function afterwards(pause: Wait, end: () => Wait | void): Wait {
	let ending: Wait | void;
	let isEnding = false;
	return {
		isOver(time) {
			if (!isEnding) {
				if (!pause.isOver(time)) return false;
				isEnding = true;
				ending = end();
			}
			return ending?.isOver(time) ?? true;
		},
		get endedAt() {
			return ending ? ending.endedAt : pause.endedAt;
		}
	};
}

/** Lets the time of a step pass, then ends its move. */
export const stopAfter = (running: Running): Wait =>
	afterwards(running.pause(running.number('duration')), () => stop(running));
