/**
 * Goes through the whole link protocol with a robot, good messages and bad ones, and tells what holds
 * and what does not. What each check asks for is written in docs/link.md.
 */
import WebSocket from 'ws';
import { devices } from '../../core/devices/list';
import {
	advertSchema,
	longestMessage,
	type FromRobot,
	type Greeting
} from '../../core/link/frames';
import { Knocker } from '../../core/link/knocker';
import { makeKeys, makeNonce, markOf } from '../../core/link/secret';
import { oddReadings } from '../../core/link/rows';
import { patience } from '../../core/link/served';
import { robotKinds } from '../../core/robots/kinds';
import { settingsSaid } from '../../core/robots/robot-document';
import { signCount, signValues } from '../../core/link/signs';
import { pause, RobotLine } from './robot-line';

export interface Finding {
	/** As in docs/link.md. */
	readonly check: string;
	readonly holds: boolean;
	/** What was seen. */
	readonly seen: string;
}

/** What the check needs from whoever stands beside the robot. */
export interface Beside {
	/** The signs that it shows now. */
	readSigns(): Promise<readonly number[]>;
}

const maren = { id: 'check-one', name: 'Maren' };
const piet = { id: 'check-two', name: 'Piet' };
/** A place is beyond reason sooner than another figure. */
const beyond = 1e5;
/** Rows a second. */
const fewest = 18;
const most = 60;
/** Milliseconds within which a robot slows down noticeably after it was told to halt. */
const haltsWithin = 700;
/** Milliseconds after which a robot is free again whose person is gone. */
const freeWithin = 6000;

/** Rows a second, by half of the gaps between their times: a busy computer hears some of them late. */
function rateOf(times: readonly number[]): number {
	const gaps = times.slice(1).map((time, index) => time - times[index]!);
	return gaps.length < 5 ? 0 : 1 / gaps.toSorted((a, b) => a - b)[gaps.length >> 1]!;
}

export async function checkRobot(url: string, beside: Beside): Promise<Finding[]> {
	return new Check(url, beside).run();
}

class Check {
	private readonly findings: Finding[] = [];
	private greeting: Greeting | undefined;
	/** The greeting showed that the robot has the token, too. */
	private isProven = false;
	private orders = 0;
	/** Milliseconds that an answer may take more than at once. */
	private delay = 0;
	private readonly robot: string;
	private readonly maren: Knocker;

	constructor(
		private readonly url: string,
		private readonly beside: Beside
	) {
		this.robot = url.split('/').at(-1)!;
		this.maren = new Knocker(this.robot, maren, undefined);
	}

	private piet(): Knocker {
		return new Knocker(this.robot, piet, undefined);
	}

	private note(check: string, holds: boolean, seen = ''): boolean {
		this.findings.push({ check, holds, seen });
		return holds;
	}

	async run(): Promise<Finding[]> {
		await this.advert();
		const line = new RobotLine(this.url);
		if (!this.note('opens', await line.opened())) return this.findings;
		await this.strangers(line);
		if (await this.pairing(line)) {
			await this.telling(line);
			await this.orderly(line);
			await this.moving(line);
			await this.naming(line);
			await this.leaving(line);
		}
		line.close();
		return this.findings;
	}

	// --- before anybody is paired ---

	private async advert(): Promise<void> {
		const socket = new WebSocket(new URL('/adverts', this.url));
		socket.on('error', () => {});
		const found = await new Promise<string>((answer) => {
			const timer = setTimeout(() => answer('none within 3 s'), 3000);
			socket.on('message', (data) => {
				const value = parsed(String(data)) as { id?: string };
				if (value?.id !== this.robot) return;
				clearTimeout(timer);
				answer(advertSchema.safeParse(value).error?.issues[0]?.path.join('.') ?? '');
			});
		});
		socket.terminate();
		this.note('advert', found === '', found);
	}

	/** Whoever is not paired can do nothing, and nothing that is said does any harm. */
	private async strangers(line: RobotLine): Promise<void> {
		const early = await line.ask(this.order('motion', 'stand', {}), 'bad');
		this.note('notPaired', early?.why === 'notPaired', early?.why ?? 'no answer');
		const from = line.heard.length;
		line.sendText('{"type":');
		const bad = await line.wait('bad', from);
		this.note('notJson', bad?.why === 'notJson', bad?.why ?? 'no answer');
		const strange = await line.ask({ type: 'steer', to: 'port' }, 'bad');
		const more = await line.ask({ ...this.piet().hello(), master: true }, 'bad');
		const seen = `${strange?.why}, ${more?.why}`;
		this.note('unknown', strange?.why === 'unknown' && more?.why === 'unknown', seen);
		const other = new RobotLine(this.url);
		await other.opened();
		other.sendText(JSON.stringify({ type: 'rename', name: 'x'.repeat(longestMessage + 1) }));
		const isRefused = await other.isRefused();
		other.close();
		this.note('tooLong', isRefused && line.isOpen, line.isOpen ? '' : 'it hung up on others');
	}

	// --- pairing ---

	private async pairing(line: RobotLine): Promise<boolean> {
		if (!this.note('confirm', await line.knock(this.maren))) return false;
		await this.wrongSigns(line);
		const signs = await this.beside.readSigns();
		this.greeting = await line.tell(this.maren, signs);
		if (!this.note('greeting', this.greeting !== undefined)) return false;
		this.isProven = this.maren.trusts(this.greeting!);
		line.live(true);
		const { id, kind, settings } = this.greeting!;
		this.note('id', id === this.robot, id);
		const known = robotKinds.find((one) => one.kind === kind);
		this.note('kind', known !== undefined, kind);
		const odd = known ? settingsSaid(known, settings).odd : [];
		this.note('settings', odd.length === 0, odd.join(', '));
		await this.measureDelay(line);
		const unknown = this.greeting!.devices.filter((id) => devices.every((one) => one.id !== id));
		this.note('devices', unknown.length === 0, unknown.join(', '));
		await this.others();
		return true;
	}

	/** Who opens what they had sealed although it was wrong is not let in. */
	private async wrongSigns(line: RobotLine): Promise<void> {
		const signs = await this.beside.readSigns();
		const wrong = signs.map((sign) => (sign % signValues) + 1);
		const other = new RobotLine(this.url);
		await other.opened();
		const { shown: appKey } = makeKeys();
		const hello = { ...this.piet().hello(), key: appKey };
		const robotKey = (await other.ask(hello, 'confirm'))?.key ?? '';
		const nonce = makeNonce();
		const visit = { robot: this.robot, person: piet.id, appKey, robotKey };
		const shown = await other.ask({ type: 'seal', mark: markOf(nonce, wrong, visit) }, 'shown');
		const isAsShown = String(shown?.signs) === String(signs);
		const answer = await other.ask({ type: 'open', nonce }, 'wrong');
		const isLet = other.heard.some(({ frame }) => frame.type === 'greeting');
		other.close();
		const seen = isLet
			? 'it let wrong signs in'
			: isAsShown
				? ''
				: 'other signs than those that were read';
		this.note('wrongSigns', answer !== undefined && isAsShown && !isLet, seen);
		const again = await this.beside.readSigns();
		this.note('newSigns', String(again) !== String(signs), again.join(' '));
		// Whoever comes and goes does not keep others out.
		if (!line.isOpen) this.note('opens', false, 'it hung up on one when another was wrong');
	}

	/** A radio may be slow; that is no fault of the robot. */
	private async measureDelay(line: RobotLine): Promise<void> {
		const began = performance.now();
		await line.ask({ type: 'list' }, 'stored', 3000);
		this.delay = 2 * (performance.now() - began);
	}

	/** One robot obeys one person. */
	private async others(): Promise<void> {
		const other = new RobotLine(this.url);
		await other.opened();
		const sorry = await other.ask(this.piet().hello(), 'sorry', 1500);
		const seen = sorry ? `${sorry.why}, with ${sorry.with ?? 'nobody'}` : 'it let another one in';
		this.note('busy', sorry?.why === 'busy' && sorry.with === maren.name, seen);
		const bad = await other.ask(this.order('motion', 'stand', {}), 'bad', 1500);
		this.note('busyOrder', bad?.why === 'notPaired', bad?.why ?? 'it took the order');
		other.close();
	}

	// --- paired ---

	private order(device: string, name: string, values: object) {
		this.orders += 1;
		return { type: 'begin', id: this.orders, command: { device, name, values } };
	}

	private rows(line: RobotLine, from: number) {
		return line.heard.slice(from).filter(({ frame }) => frame.type === 'sense') as {
			at: number;
			frame: FromRobot & { type: 'sense' };
		}[];
	}

	private async telling(line: RobotLine): Promise<void> {
		const from = line.heard.length;
		line.send({ type: 'start' });
		const started = await line.wait('started', from, 1500);
		const after = line.heard.length;
		await pause(1000);
		const rows = this.rows(line, after);
		const first = rows[0]?.frame.time ?? NaN;
		this.note('started', started !== undefined && first < 0.5, `first row at ${first} s`);
		const rate = rateOf(rows.map(({ frame }) => frame.time));
		this.note('rows', rate >= fewest && rate <= most, `${Math.round(rate)} a second`);
		const wanted = this.greeting!.devices.flatMap((id) =>
			Object.keys(devices.find((one) => one.id === id)?.readings ?? {})
		);
		const row = rows.at(-1)?.frame.row ?? {};
		const missing = wanted.filter((reading) => !(reading in row));
		this.note('readings', missing.length === 0, missing.join(', '));
		const said = rows.flatMap(({ frame }) => [
			...Object.values(frame.row),
			...Object.values(frame.shows ?? {}),
			...Object.values(frame.at ?? {}).map((place) => place * beyond)
		]);
		const far = said.filter((value) => typeof value === 'number' && Math.abs(value) > 1e9);
		const strange = oddReadings(row, devices);
		this.note(
			'places',
			far.length + strange.length === 0,
			[...far.slice(0, 3), ...strange].join(', ')
		);
		const isUp = rows.every(({ frame }, i) => i === 0 || frame.time >= rows[i - 1]!.frame.time);
		this.note('clock', isUp);
		const battery = line.heard.find(({ frame }) => frame.type === 'battery');
		this.note('battery', battery !== undefined);
		this.note('strange', line.strange.length === 0, line.strange[0]?.slice(0, 80) ?? '');
	}

	private async orderly(line: RobotLine): Promise<void> {
		const answers = async (order: { id: number }) => {
			const from = line.heard.length;
			line.send(order);
			await pause(400 + this.delay);
			return line.heard
				.slice(from)
				.map(({ frame }) => frame)
				.filter(
					(frame) => (frame.type === 'done' || frame.type === 'refused') && frame.id === order.id
				) as (FromRobot & { type: 'done' | 'refused' })[];
		};
		const whyOf = ([first]: Awaited<ReturnType<typeof answers>>) =>
			first?.type === 'refused' ? first.why : (first?.type ?? 'no answer');
		const nobody = await answers(this.order('telescope', 'look', {}));
		this.note('noDevice', whyOf(nobody) === 'noDevice', whyOf(nobody));
		const senseless = await answers(this.order('motion', 'start', { speed: 'very' }));
		this.note('badOrder', whyOf(senseless) === 'badOrder', whyOf(senseless));
		const stand = await answers(this.order('motion', 'stand', {}));
		this.note('done', stand.length === 1 && stand[0]!.type === 'done', `${stand.length} answers`);
	}

	/** m/s, without sign, by its newest row. */
	private speed(line: RobotLine): number {
		const { shows, row } = this.rows(line, 0).at(-1)?.frame ?? {};
		return Math.abs(Number(shows?.speed ?? row?.speed ?? 0));
	}

	/** Sets it going, if it can go here: a drone stands on the ground, and refuses. */
	private async sets(line: RobotLine): Promise<boolean> {
		line.send(this.order('motion', 'start', { speed: 0.3 }));
		await pause(900 + this.delay);
		return this.speed(line) > 0.02;
	}

	private async moving(line: RobotLine): Promise<void> {
		if (!(await this.sets(line))) {
			this.note('halt', true, 'it stands here, so this was not tried');
			this.note('watchdog', true, 'it stands here, so this was not tried');
			return this.ending(line);
		}
		const before = this.speed(line);
		line.send({ type: 'halt' });
		await pause(haltsWithin + this.delay);
		const left = this.speed(line);
		this.note('halt', left < before / 2, `${before.toFixed(2)} m/s, then ${left.toFixed(2)}`);
		line.send(this.order('motion', 'start', { speed: -0.3 }));
		await pause(900 + this.delay);
		const going = this.speed(line);
		line.live(false);
		await pause(patience * 1000 + haltsWithin + this.delay);
		const still = this.speed(line);
		line.live(true);
		this.note(
			'watchdog',
			still < going / 2,
			`${going.toFixed(2)} m/s, then ${still.toFixed(2)} with nobody there`
		);
		await this.ending(line);
	}

	private async ending(line: RobotLine): Promise<void> {
		const ended = await line.ask({ type: 'end' }, 'ended', 5000);
		this.note('ended', ended !== undefined);
	}

	private async naming(line: RobotLine): Promise<void> {
		const { name } = this.greeting!;
		const named = await line.ask({ type: 'rename', name: 'Wick 9' }, 'named', 1500);
		this.note('rename', named?.name === 'Wick 9', named?.name ?? 'no answer');
		await line.ask({ type: 'rename', name }, 'named', 1500);
	}

	// --- afterwards ---

	private async leaving(line: RobotLine): Promise<void> {
		line.send({ type: 'letGo' });
		await pause(200 + this.delay);
		const again = await line.prove(this.maren);
		const isIt = this.isProven && again !== undefined && this.maren.trusts(again);
		this.note('token', isIt, again && !isIt ? 'it does not prove that it has the token' : '');
		line.cut();
		const began = performance.now();
		let isFree = false;
		while (!isFree && performance.now() - began < freeWithin) {
			const other = new RobotLine(this.url);
			await other.opened();
			isFree = await other.knock(this.piet(), 500);
			other.close();
			await pause(200);
		}
		const seconds = ((performance.now() - began) / 1000).toFixed(1);
		this.note('free', isFree, isFree ? `after ${seconds} s` : 'it still obeys who is gone');
		await this.flood();
	}

	/** Too much at once is refused, and whoever comes next is heard. */
	private async flood(): Promise<void> {
		const flood = new RobotLine(this.url);
		await flood.opened();
		for (let i = 0; i < 1500; i++) flood.send({ type: 'alive' });
		await pause(500);
		const isRefused =
			!flood.isOpen ||
			flood.heard.some(({ frame }) => frame.type === 'bad' && frame.why === 'tooMany');
		flood.close();
		const next = new RobotLine(this.url);
		await next.opened();
		const isHeard = await next.knock(this.piet(), 1500);
		next.close();
		this.note('tooMany', isRefused && isHeard, isRefused ? '' : 'it takes any number of messages');
	}
}

function parsed(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return undefined;
	}
}

/** Whether these can be signs. */
export const areSigns = (signs: readonly number[]): boolean =>
	signs.length === signCount &&
	signs.every((sign) => Number.isInteger(sign) && sign >= 1 && sign <= signValues);
