/**
 * Ten robots and those who guess their signs: so many addresses, each with a person of its own, knock
 * and guess as fast as they are answered, half of them through the app and half at the robots' own
 * host. Meanwhile somebody who stands beside a robot pairs with one after the other, by what it shows,
 * with a hand on its button where it wants one. Told are how many guesses were made, which robots
 * were taken, and how long those beside them had to wait.
 *
 *   npm run soak:guess -- [--addresses N] [--seconds N]
 */
import { parseArgs } from 'node:util';
import { pause, RobotLine } from '../../src/cli/robot-check/robot-line';
import { Knocker } from '../../src/core/link/knocker';
import { quantile, School } from './school';

const { values } = parseArgs({
	options: {
		addresses: { type: 'string', default: '50' },
		seconds: { type: 'string', default: '600' }
	}
});
const addresses = Number(values.addresses);
const seconds = Number(values.seconds);
const robots = 10;

const school = await School.start(robots);
let isOver = false;
let guesses = 0;
const taken: string[] = [];

const guess = () => Array.from({ length: 5 }, () => 1 + Math.floor(Math.random() * 4));

/** One address: it sticks to no robot, and comes again whenever it is hung up on. */
async function guesser(index: number): Promise<void> {
	for (let visit = index; !isOver; visit++) {
		const robot = `skiff-${(visit % robots) + 1}`;
		const at =
			index % 2 === 0 ? `${school.address}/link?robot=` : `ws://${school.yardHost}/robots/`;
		const line = new RobotLine(at + robot, `127.0.1.${index + 1}`);
		const knocker = new Knocker(robot, { id: `guesser-${index}`, name: `G ${index}` }, undefined);
		if ((await line.opened(2000)) && (await line.knock(knocker, 1000))) {
			for (let tries = 0; tries < 10 && line.isOpen && !isOver; tries++) {
				guesses += 1;
				if (await line.tell(knocker, guess())) taken.push(robot);
			}
		} else await pause(20);
		line.close();
	}
}

const waits: number[] = [];
let unpaired = 0;

/** Knocks, looks, says what it sees, and presses the button where a hand is wanted. */
async function beside(index: number): Promise<void> {
	const robot = `skiff-${index + 1}`;
	const began = performance.now();
	const line = school.link(robot);
	const knocker = new Knocker(robot, { id: 'beside', name: 'Ode' }, undefined);
	let isIn = false;
	while (!isIn && performance.now() - began < 60_000) {
		if (!(await line.opened()) || !(await line.knock(knocker))) {
			await pause(500);
			continue;
		}
		// So long a person needs to look at five signs and to press five keys.
		const signs = await school.signsOf(robot);
		await pause(3000);
		const told = line.tell(knocker, signs);
		await pause(500);
		await school.press(robot);
		isIn = (await told) !== undefined;
	}
	if (isIn) waits.push(performance.now() - began);
	else unpaired += 1;
	line.send({ type: 'letGo' });
	await pause(200);
	line.close();
}

const guessing = Array.from({ length: addresses }, (_, index) => guesser(index));
const until = performance.now() + seconds * 1000;
for (let index = 0; performance.now() < until; index = (index + 1) % robots) {
	await beside(index);
	await pause(1000);
}
isOver = true;
await Promise.all(guessing);
waits.sort((a, b) => a - b);
console.log(
	`${guesses} guesses from ${addresses} addresses in ${seconds} s; taken: ${taken.length}`
);
console.log(
	`${waits.length} paired who stood beside (${unpaired} not): ${quantile(waits, 0.5)} ms at the median, ` +
		`${quantile(waits, 1)} at most`
);
await school.end();
process.exit(taken.length + unpaired > 0 ? 1 : 0);
