/**
 * A whole school at once: so many people, each with a robot, through the built server and a yard in a
 * process of its own. What is measured is the time from an order to the robot's own answer. Then each
 * tries to get the robot of the next one.
 *
 *   npm run bench:links -- [--people N] [--seconds N]
 */
import { parseArgs } from 'node:util';
import { quantile, School } from './soak/school';

const { values } = parseArgs({
	options: { people: { type: 'string', default: '50' }, seconds: { type: 'string', default: '20' } }
});
const people = Number(values.people);
const seconds = Number(values.seconds);

const school = await School.start(people);
await school.pair();
const times = await school.orders(seconds);

let stolen = 0;
for (let index = 0; index < people; index++) {
	const thief = school.link(`skiff-${((index + 1) % people) + 1}`);
	await thief.opened();
	const sorry = await thief.ask(school.knocker(index + 1).hello(), 'sorry', 1000);
	if (sorry?.why !== 'busy') stolen += 1;
	thief.close();
}
console.log(`${people} people, ${people} robots, ${times.length} orders in ${seconds} s`);
console.log(
	`order and answer: ${quantile(times, 0.5)} ms at the median, ` +
		`${quantile(times, 0.95)} at the 95th percentile, ${quantile(times, 1)} at most`
);
console.log(
	`robots that obeyed two: ${stolen}; the server holds ${school.server.memory.toFixed(0)} MB`
);
await school.end();
process.exit(stolen > 0 ? 1 : 0);
