/** The tests' own page: what plays there draws some twenty frames a second, as a slow tablet does. */
import { test as base } from '@playwright/test';

/** Milliseconds that a page lets go by before it asks for the next frame. */
const pause = 40;

export const test = base.extend({
	context: async ({ context }, use) => {
		await context.addInitScript((pause) => {
			const draw = window.requestAnimationFrame.bind(window);
			let waiting = new Map<number, FrameRequestCallback>();
			let last = 0;
			window.requestAnimationFrame = (callback) => {
				if (waiting.size === 0)
					setTimeout(
						() =>
							draw((now) => {
								const called = waiting;
								waiting = new Map();
								for (const each of called.values()) each(now);
							}),
						pause
					);
				waiting.set(++last, callback);
				return last;
			};
			window.cancelAnimationFrame = (id) => waiting.delete(id);
		}, pause);
		await use(context);
	}
});
