/** The browser of the end-to-end tests: Debian's Chromium. */
import { existsSync } from 'node:fs';

/** By their packages, the one without a window first: it needs a fifth less of the processor. */
export const browsers = ['chromium-headless-shell', 'chromium'].map((name) => ({
	name,
	path: `/usr/bin/${name}`
}));

/** @returns where it is; undefined where there is none */
export const findChromium = () =>
	process.env.CHROMIUM ?? browsers.map(({ path }) => path).find(existsSync);
