/** One robot's link as a page has it, before a robot's own end, on sockets that a test opens and closes. */
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Happenings } from '../core/devices/happenings';
import { fromRobotSchema } from '../core/link/frames';
import { RobotEnd } from '../core/link/robot-end';
import { signValues } from '../core/link/signs';
import { Store } from '../core/live/stored-run';
import { skiff } from '../core/robots/skiff';
import { keptTokens } from '../core/testing/knocking';
import { courseOf } from '../core/testing/sample';
import { standingSkiff } from '../core/testing/standing';
import { Link, type LinkState } from './link';

const tokens = keptTokens();
/** The robot that answers who asks for Tallow; null where nobody does. */
let robot: RobotEnd | null = null;
const opened: Socket[] = [];

class Socket {
	static readonly OPEN = 1;
	readyState = 0;
	onopen = () => {};
	onmessage: (event: { data: string }) => void = () => {};
	onclose: (event: { code: number }) => void = () => {};
	readonly said: string[] = [];
	private line: ReturnType<RobotEnd['connect']> | undefined;

	constructor() {
		opened.push(this);
		void Promise.resolve().then(() => {
			if (!robot) return this.drop(4404);
			this.readyState = 1;
			this.line = robot.connect(
				(frame) => this.onmessage({ data: JSON.stringify(frame) }),
				() => this.drop(1000)
			);
			this.onopen();
		});
	}

	send(text: string): void {
		this.said.push(text);
		// What is sent arrives after all that is done in this moment.
		queueMicrotask(() => this.line?.receive(text));
	}

	close(): void {
		this.readyState = 3;
		this.line?.closed();
	}

	drop(code: number): void {
		this.readyState = 3;
		this.onclose({ code });
	}
}

function robotCalled(id: string): RobotEnd {
	return new RobotEnd(
		{
			...{ id, name: 'Tallow', firmware: '1', version: 1, kind: skiff, settings: {} },
			...{ machine: standingSkiff(courseOf()).machine, happened: new Happenings(), battery: 1 },
			...{
				isCharging: false,
				hindrance: undefined,
				fault: undefined,
				store: new Store(id, () => 0)
			},
			...{ rename: () => {}, switchOff: () => {}, runStored: () => false }
		},
		() => 0.5,
		tokens
	);
}

function linkTo(token?: string) {
	const states: LinkState[] = [];
	const changed = (state: LinkState) => states.push(state);
	const heard = vi.fn();
	const person = { id: 'maren', name: 'Maren' };
	const link = new Link('tallow', new URL('ws://here/link'), person, token, { changed, heard });
	const is = () => {
		const { phase, ...more } = states.at(-1)!;
		return 'trouble' in more ? `${phase}: ${more.trouble}` : phase;
	};
	return { link, is, states, heard };
}
const pass = (milliseconds: number) => vi.advanceTimersByTimeAsync(milliseconds);
async function tell(link: Link, signs = robot!.door.signs!): Promise<void> {
	link.tell(signs);
	await pass(0);
}

/** A link that has just been let in. */
async function paired() {
	const one = linkTo();
	await pass(0);
	await tell(one.link);
	expect(one.is()).toBe('paired');
	return one;
}

beforeEach(() => {
	vi.useFakeTimers();
	vi.stubGlobal('WebSocket', Socket);
	opened.length = 0;
	robot = robotCalled('tallow');
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

it('asks for signs, says which were wrong, and is let in by the right ones', async () => {
	const { link, is, states } = linkTo();
	await pass(0);
	expect(is()).toBe('confirm');
	await tell(
		link,
		robot!.door.signs!.map((sign) => (sign % signValues) + 1)
	);
	expect(states.at(-1)).toMatchObject({ phase: 'confirm', isWrong: true, isTold: false });
	await tell(link);
	expect(states.at(-1)).toMatchObject({ phase: 'paired', greeting: { id: 'tallow' } });
	expect(link.token).toMatch(/./);
});

it('is lost after 1.5 s of silence, and comes back by itself without signs, ever more seldom', async () => {
	const { link, is, states } = await paired();
	const asked = states.length;
	await pass(1400);
	expect(is()).toBe('paired');
	robot = null;
	await pass(300);
	expect(is()).toBe('lost: outOfRange');
	const before = opened.length;
	await pass(20_000);
	// 0.3 s, 0.51, 0.87, 1.5, 2.5, 4.3, 7.2 after each other.
	expect(opened.length - before).toBe(7);
	expect(is()).toBe('lost: notHeard');
	robot = robotCalled('tallow');
	link.hurry();
	await pass(0);
	expect(is()).toBe('paired');
	expect(states.slice(asked).some(({ phase }) => phase === 'confirm')).toBe(false);
});

it('lets no robot have the place of another, by its signs or by its greeting', async () => {
	robot = robotCalled('lugger');
	const { link, states } = linkTo();
	await pass(0);
	await tell(link);
	expect(states.at(-1)).toMatchObject({ phase: 'confirm', isWrong: true });
	robot = robotCalled('tallow');
	const other = linkTo();
	await pass(0);
	const { onmessage } = opened.at(-1)!;
	opened.at(-1)!.onmessage = ({ data }) =>
		onmessage({ data: data.replace('"id":"tallow"', '"id":"lugger"') });
	await tell(other.link);
	expect(other.is()).toBe('closed: otherRobot');
});

it('is let go, and asked for its signs anew by a robot that has forgotten who was there', async () => {
	const { link, is } = await paired();
	const { token } = link;
	link.close();
	await pass(0);
	expect([is(), opened.at(-1)!.said.at(-1)]).toEqual(['closed', '{"type":"letGo"}']);
	vi.spyOn(tokens, 'of').mockReturnValue([]);
	const again = linkTo(token);
	await pass(0);
	expect(again.is()).toBe('confirm');
});

it('gives up at once who was never paired, by what the server says, and one that says nothing', async () => {
	robot = null;
	const one = linkTo();
	await pass(0);
	expect(one.is()).toBe('closed: notHeard');
	robot = { connect: () => ({ receive() {}, closed() {} }) } as unknown as RobotEnd;
	const silent = linkTo();
	await pass(3900);
	expect(silent.states).toEqual([]);
	await pass(300);
	expect(silent.is()).toBe('closed: outOfRange');
	await pass(60_000);
	expect(opened).toHaveLength(2);
});

it('hands on what the robot says, and mends a row that makes no sense', async () => {
	const { heard } = await paired();
	const socket = opened.at(-1)!;
	for (let tick = 0; tick < 60; tick++) robot!.report(tick / 120);
	const { calls } = heard.mock;
	const row = calls
		.map(([frame]) => fromRobotSchema.parse(frame))
		.find(({ type }) => type === 'sense');
	expect(row).toBeDefined();
	socket.onmessage({ data: 'no JSON' });
	const count = calls.length;
	socket.onmessage({ data: JSON.stringify({ ...row, at: { x: 1e308, y: 0, bearing: 0 } }) });
	expect(calls.slice(count).map(([frame, odd]) => [frame.type, odd.length > 0])).toEqual([
		['sense', true]
	]);
});
