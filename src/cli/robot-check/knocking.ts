/** What a robot does with who is not paired, and with who pairs. */
import WebSocket from 'ws';
import { devices } from '../../core/devices/list';
import { advertSchema, longestMessage } from '../../core/link/frames';
import { makeKeys, makeNonce, sealOf } from '../../core/link/secret';
import { signValues } from '../../core/link/signs';
import { robotKinds } from '../../core/robots/kinds';
import { settingsSaid } from '../../core/robots/robot-document';
import { maren, piet, type Check } from './check';
import { RobotLine } from './robot-line';

export async function advert(check: Check): Promise<void> {
	const socket = new WebSocket(new URL('/adverts', check.url));
	socket.on('error', () => {});
	const found = await new Promise<string>((answer) => {
		const timer = setTimeout(() => answer('none within 3 s'), 3000);
		socket.on('message', (data) => {
			const value = parsed(String(data)) as { id?: string };
			if (value?.id !== check.robot) return;
			clearTimeout(timer);
			answer(advertSchema.safeParse(value).error?.issues[0]?.path.join('.') ?? '');
		});
	});
	socket.terminate();
	check.note('advert', found === '', found);
}

/** Whoever is not paired can do nothing, and nothing that is said does any harm. */
export async function strangers(check: Check, line: RobotLine): Promise<void> {
	const early = await line.ask(check.order('motion', 'stand', {}), 'bad');
	check.note('notPaired', early?.why === 'notPaired', early?.why ?? 'no answer');
	const from = line.heard.length;
	line.sendText('{"type":');
	const bad = await line.wait('bad', from);
	check.note('notJson', bad?.why === 'notJson', bad?.why ?? 'no answer');
	const strange = await line.ask({ type: 'steer', to: 'port' }, 'bad');
	const more = await line.ask({ ...check.piet().hello(), master: true }, 'bad');
	const seen = `${strange?.why}, ${more?.why}`;
	check.note('unknown', strange?.why === 'unknown' && more?.why === 'unknown', seen);
	const other = new RobotLine(check.url);
	await other.opened();
	other.sendText(JSON.stringify({ type: 'rename', name: 'x'.repeat(longestMessage + 1) }));
	const isRefused = await other.isRefused();
	other.close();
	check.note('tooLong', isRefused && line.isOpen, line.isOpen ? '' : 'it hung up on others');
}

export async function pairing(check: Check, line: RobotLine): Promise<boolean> {
	if (!check.note('confirm', await line.knock(check.maren))) return false;
	await wrongSigns(check, line);
	const signs = await check.beside.readSigns();
	check.greeting = await line.tell(check.maren, signs);
	if (!check.note('greeting', check.greeting !== undefined)) return false;
	check.isProven = check.maren.trusts(check.greeting!);
	line.live(true);
	const { id, kind, settings } = check.greeting!;
	check.note('id', id === check.robot, id);
	const known = robotKinds.find((one) => one.kind === kind);
	check.note('kind', known !== undefined, kind);
	const odd = known ? settingsSaid(known, settings).odd : [];
	check.note('settings', odd.length === 0, odd.join(', '));
	await measureDelay(check, line);
	const unknown = check.greeting!.devices.filter((id) => devices.every((one) => one.id !== id));
	check.note('devices', unknown.length === 0, unknown.join(', '));
	await others(check);
	return true;
}

/** Who opens what they had sealed although it was wrong is not let in. */
async function wrongSigns(check: Check, line: RobotLine): Promise<void> {
	const signs = await check.beside.readSigns();
	const wrong = signs.map((sign) => (sign % signValues) + 1);
	const other = new RobotLine(check.url);
	await other.opened();
	const { shown: appKey } = makeKeys();
	const hello = { ...check.piet().hello(), key: appKey };
	const robotKey = (await other.ask(hello, 'confirm'))?.key ?? '';
	const nonce = makeNonce();
	const visit = { robot: check.robot, person: piet.id, appKey, robotKey };
	const shown = await other.ask({ type: 'seal', mark: sealOf(nonce, wrong, visit) }, 'shown');
	const isAsShown = String(shown?.signs) === String(signs);
	const answer = await other.ask({ type: 'open', nonce }, 'wrong');
	const isLet = other.heard.some(({ frame }) => frame.type === 'greeting');
	other.close();
	const seen = isLet
		? 'it let wrong signs in'
		: isAsShown
			? ''
			: 'other signs than those that were read';
	check.note('wrongSigns', answer !== undefined && isAsShown && !isLet, seen);
	const again = await check.beside.readSigns();
	check.note('newSigns', String(again) !== String(signs), again.join(' '));
	// Whoever comes and goes does not keep others out.
	if (!line.isOpen) check.note('opens', false, 'it hung up on one when another was wrong');
}

/** A radio may be slow; that is no fault of the robot. */
async function measureDelay(check: Check, line: RobotLine): Promise<void> {
	const began = performance.now();
	await line.ask({ type: 'list' }, 'stored', 3000);
	check.delay = 2 * (performance.now() - began);
}

/** One robot obeys one person. */
async function others(check: Check): Promise<void> {
	const other = new RobotLine(check.url);
	await other.opened();
	const sorry = await other.ask(check.piet().hello(), 'sorry', 1500);
	const seen = sorry ? `${sorry.why}, with ${sorry.with ?? 'nobody'}` : 'it let another one in';
	check.note('busy', sorry?.why === 'busy' && sorry.with === maren.name, seen);
	const bad = await other.ask(check.order('motion', 'stand', {}), 'bad', 1500);
	check.note('busyOrder', bad?.why === 'notPaired', bad?.why ?? 'it took the order');
	other.close();
}

function parsed(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return undefined;
	}
}
