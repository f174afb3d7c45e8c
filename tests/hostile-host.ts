/** A host between the app and the yard that hands everything on, and puts in much of its own. */
import type { AddressInfo } from 'node:net';
import WebSocket, { WebSocketServer } from 'ws';
import { yard } from './yard';

type Frame = Record<string, unknown> & { type: string };

/** What no robot should say, in the place of what one does. */
const oddValues: readonly unknown[] = [
	...[null, true, '', 'onFire', 'constructor', '__proto__', 'x'.repeat(5000), [], {}, [[]]],
	...[1e308, -1e308, 0.1, -1, 4e9, NaN, { x: 'y' }, ['a', 1, null], 'A'.repeat(64), '\u202e']
];

/** Whole frames of its own: the words are allowed, what they say is not expected. */
const strange: readonly object[] = [
	{ type: 'refused', id: 1, why: 'noDevice' },
	{ type: 'refused', id: 2, why: 'tooHot' },
	{ type: 'fault', fault: 'onFire' },
	{ type: 'done', id: 9_999_999 },
	{ type: 'cut', id: 3 },
	{ type: 'sorry', why: 'busy' },
	{ type: 'wrong', left: 2, hand: false },
	{ type: 'shown', signs: [1, 2, 3, 4, 1], left: 1, hand: true },
	{ type: 'ended', time: -5 },
	{ type: 'named', name: 'Somebody else' },
	{ type: 'happened' },
	{ type: 'journal', run: 'x', number: 1, news: 'nonsense' },
	{ type: 'battery', battery: 0.5, isCharging: 'no' },
	{ type: 'unheardOf', more: { and: ['more'] } }
];

/** Small and repeatable. @returns uniform in [0, 1) */
function diceOf(seed: number): () => number {
	let state = seed;
	return () => {
		state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
		return state / 2 ** 32;
	};
}

/** One field of it, or of what is in it, becomes something else. */
function altered(frame: Frame, chance: () => number): unknown {
	const copy = structuredClone(frame) as Record<string, unknown>;
	let place = copy;
	for (;;) {
		const names = Object.keys(place);
		const name = names[Math.floor(chance() * names.length)];
		if (name === undefined) return copy;
		const inner = place[name];
		if (typeof inner === 'object' && inner !== null && chance() < 0.6) {
			place = inner as Record<string, unknown>;
			continue;
		}
		place[name] = oddValues[Math.floor(chance() * oddValues.length)];
		return copy;
	}
}

/**
 * @param count how many hostile messages it puts in, once somebody is paired
 * @returns where it is, and how many it has said
 */
export async function hostileHost(count: number) {
	const server = new WebSocketServer({ port: 0, host: '127.0.0.1' });
	await new Promise((done) => server.once('listening', done));
	const seen: Frame[] = [];
	const chance = diceOf(7);
	let said = 0;
	server.on('connection', (app, { url }) => {
		const robot = new WebSocket(`${yard.replace('http', 'ws')}${url}`);
		const waiting: string[] = [];
		let timer: ReturnType<typeof setInterval> | undefined;
		const put = () => {
			for (let i = 0; i < 40 && said < count; i++) {
				const pick = chance();
				const sample = seen[Math.floor(chance() * seen.length)];
				const text =
					pick < 0.05 || !sample
						? 'not a message {'.repeat(1 + Math.floor(chance() * 50))
						: JSON.stringify(
								pick < 0.4
									? strange[Math.floor(chance() * strange.length)]
									: altered(sample, chance)
							);
				app.send(text);
				said += 1;
			}
		};
		robot.on('open', () => waiting.splice(0).forEach((text) => robot.send(text)));
		robot.on('message', (data) => {
			const text = String(data);
			app.send(text);
			const frame = JSON.parse(text) as Frame;
			if (frame.type === 'advert') return;
			seen.push(frame);
			if (seen.length > 300) seen.shift();
			// Not before a run has begun: what is said to strangers is another matter.
			if (frame.type === 'started') timer ??= setInterval(put, 10);
		});
		app.on('message', (data) => {
			if (robot.readyState === WebSocket.OPEN) robot.send(String(data));
			else waiting.push(String(data));
		});
		const end = () => {
			clearInterval(timer);
			app.terminate();
			robot.terminate();
		};
		for (const socket of [app, robot]) socket.on('close', end).on('error', end);
	});
	const { port } = server.address() as AddressInfo;
	return {
		address: `ws://127.0.0.1:${port}`,
		said: () => said,
		close: () => void server.close()
	};
}
