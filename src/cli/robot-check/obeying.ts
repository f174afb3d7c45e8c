/** What a robot does with who is paired. */
import { devices } from '../../core/devices/list';
import type { FromRobot } from '../../core/link/frames';
import { oddReadings } from '../../core/link/rows';
import { patience } from '../../core/link/served';
import type { Check } from './check';
import { comesTrue, pause, type Heard, type RobotLine } from './robot-line';

/** A place is beyond reason sooner than another figure. */
const beyond = 1e5;
/** Rows a second. */
const fewest = 18;
const most = 60;
/** Milliseconds within which a robot slows down noticeably after it was told to halt. */
const haltsWithin = 700;

/** Rows a second, by half of the gaps between their times: a busy computer hears some of them late. */
function rateOf(times: readonly number[]): number {
	const gaps = times.slice(1).map((time, index) => time - times[index]!);
	return gaps.length < 5 ? 0 : 1 / gaps.toSorted((a, b) => a - b)[gaps.length >> 1]!;
}

export async function telling(check: Check, line: RobotLine): Promise<void> {
	const from = line.heard.length;
	line.send({ type: 'start' });
	const started = await line.wait('started', from, 1500);
	const after = line.heard.length;
	await pause(1000);
	const rows = check.rows(line, after);
	const first = rows[0]?.frame.time ?? NaN;
	check.note('started', started !== undefined && first < 0.5, `first row at ${first} s`);
	const rate = rateOf(rows.map(({ frame }) => frame.time));
	check.note('rows', rate >= fewest && rate <= most, `${Math.round(rate)} a second`);
	const wanted = check.greeting!.devices.flatMap((id) =>
		Object.keys(devices.find((one) => one.id === id)?.readings ?? {})
	);
	const row = rows.at(-1)?.frame.row ?? {};
	const missing = wanted.filter((reading) => !(reading in row));
	check.note('readings', missing.length === 0, missing.join(', '));
	const said = rows.flatMap(({ frame }) => [
		...Object.values(frame.row),
		...Object.values(frame.shows ?? {}),
		...Object.values(frame.at ?? {}).map((place) => place * beyond)
	]);
	const far = said.filter((value) => typeof value === 'number' && Math.abs(value) > 1e9);
	const strange = oddReadings(row, devices);
	check.note(
		'places',
		far.length + strange.length === 0,
		[...far.slice(0, 3), ...strange].join(', ')
	);
	const isUp = rows.every(({ frame }, i) => i === 0 || frame.time >= rows[i - 1]!.frame.time);
	check.note('clock', isUp);
	const battery = line.heard.find(({ frame }) => frame.type === 'battery');
	check.note('battery', battery !== undefined);
	check.note('strange', line.strange.length === 0, line.strange[0]?.slice(0, 80) ?? '');
}

export async function orderly(check: Check, line: RobotLine): Promise<void> {
	const answers = async (order: { id: number }) => {
		const from = line.heard.length;
		line.send(order);
		await pause(400 + check.delay);
		return line.heard
			.slice(from)
			.map(({ frame }) => frame)
			.filter(
				(frame) => (frame.type === 'done' || frame.type === 'refused') && frame.id === order.id
			) as (FromRobot & { type: 'done' | 'refused' })[];
	};
	const whyOf = ([first]: Awaited<ReturnType<typeof answers>>) =>
		first?.type === 'refused' ? first.why : (first?.type ?? 'no answer');
	const nobody = await answers(check.order('telescope', 'look', {}));
	check.note('noDevice', whyOf(nobody) === 'noDevice', whyOf(nobody));
	const senseless = await answers(check.order('motion', 'start', { speed: 'very' }));
	check.note('badOrder', whyOf(senseless) === 'badOrder', whyOf(senseless));
	const stand = await answers(check.order('motion', 'stand', {}));
	check.note('done', stand.length === 1 && stand[0]!.type === 'done', `${stand.length} answers`);
}

/** m/s, without sign, by its newest row. */
function speed(check: Check, line: RobotLine): number {
	const { shows, row } = check.rows(line, 0).at(-1)?.frame ?? {};
	return Math.abs(Number(shows?.speed ?? row?.speed ?? 0));
}

/** Sets it going, if it can go here: a drone stands on the ground, and refuses. */
async function sets(check: Check, line: RobotLine): Promise<boolean> {
	line.send(check.order('motion', 'start', { speed: 0.3 }));
	await pause(900 + check.delay);
	// A busy computer lets it set off late.
	return comesTrue(() => speed(check, line) > 0.02, 2000);
}

export async function halting(check: Check, line: RobotLine): Promise<void> {
	if (!(await sets(check, line))) {
		check.note('halt', true, 'it stands here, so this was not tried');
		check.note('watchdog', true, 'it stands here, so this was not tried');
		return ending(check, line);
	}
	const before = speed(check, line);
	line.send({ type: 'halt' });
	await pause(haltsWithin + check.delay);
	const left = speed(check, line);
	check.note('halt', left < before / 2, `${before.toFixed(2)} m/s, then ${left.toFixed(2)}`);
	line.send(check.order('motion', 'start', { speed: -0.3 }));
	await pause(900 + check.delay);
	const going = speed(check, line);
	line.live(false);
	await pause(patience * 1000 + haltsWithin + check.delay);
	const still = speed(check, line);
	line.live(true);
	check.note(
		'watchdog',
		still < going / 2,
		`${going.toFixed(2)} m/s, then ${still.toFixed(2)} with nobody there`
	);
	await ending(check, line);
}

async function ending(check: Check, line: RobotLine): Promise<void> {
	await leftAlone(check, line);
	const ended = await line.ask({ type: 'end' }, 'ended', 5000);
	check.note('ended', ended !== undefined);
}

export async function naming(check: Check, line: RobotLine): Promise<void> {
	const { name } = check.greeting!;
	const named = await line.ask({ type: 'rename', name: 'Wick 9' }, 'named', 1500);
	check.note('rename', named?.name === 'Wick 9', named?.name ?? 'no answer');
	await line.ask({ type: 'rename', name }, 'named', 1500);
}

/** In a run nobody is heard for longer than it is patient. */
async function leftAlone(check: Check, line: RobotLine): Promise<void> {
	await line.ask({ type: 'start' }, 'started');
	const from = line.heard.length;
	const isAlone = ({ frame }: Heard) => frame.type === 'fault' && frame.fault === 'alone';
	line.live(false);
	const said = await comesTrue(
		() => line.heard.slice(from).some(isAlone),
		patience * 1000 + haltsWithin + check.delay
	);
	line.live(true);
	check.note('alone', said);
}
