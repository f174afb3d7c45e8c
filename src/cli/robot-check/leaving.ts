/** What a robot does when its person is gone, and with too much at once. */
import type { Check } from './check';
import { pause, RobotLine } from './robot-line';

/** Milliseconds after which a robot is free again whose person is gone. */
const freeWithin = 6000;

export async function leaving(check: Check, line: RobotLine): Promise<void> {
	line.send({ type: 'letGo' });
	await pause(200 + check.delay);
	const again = await line.prove(check.maren);
	const isIt = check.isProven && again !== undefined && check.maren.trusts(again);
	check.note('token', isIt, again && !isIt ? 'it does not prove that it has the token' : '');
	line.cut();
	const began = performance.now();
	let isFree = false;
	while (!isFree && performance.now() - began < freeWithin) {
		const other = new RobotLine(check.url);
		await other.opened();
		isFree = await other.knock(check.piet(), 500);
		other.close();
		await pause(200);
	}
	const seconds = ((performance.now() - began) / 1000).toFixed(1);
	check.note('free', isFree, isFree ? `after ${seconds} s` : 'it still obeys who is gone');
	await flood(check);
}

/** Too much at once is refused, and whoever comes next is heard. */
async function flood(check: Check): Promise<void> {
	const flood = new RobotLine(check.url);
	await flood.opened();
	for (let i = 0; i < 1500; i++) flood.send({ type: 'alive' });
	await pause(500);
	const isRefused =
		!flood.isOpen ||
		flood.heard.some(({ frame }) => frame.type === 'bad' && frame.why === 'tooMany');
	flood.close();
	const next = new RobotLine(check.url);
	await next.opened();
	const isHeard = await next.knock(check.piet(), 1500);
	next.close();
	check.note('tooMany', isRefused && isHeard, isRefused ? '' : 'it takes any number of messages');
}
