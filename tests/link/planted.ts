/** Robots that break the link protocol, each in one way. */
import type { Caller, Door } from '../../src/core/link/door';
import type { FromRobot, ToRobot } from '../../src/core/link/frames';
import type { RobotLink } from '../../src/core/link/robot-end';
import type { StandIn } from '../../src/standin/stand-in';

interface Wire {
	/** What is to be done with a frame from the robot. */
	say?(frame: FromRobot, send: (frame: FromRobot) => void): void;
	/** What is to be done with a message to the robot. */
	hear?(message: string, line: RobotLink, send: (frame: FromRobot) => void): void;
	closed?(line: RobotLink): void;
	/** Each tenth of a second. */
	meanwhile?(line: RobotLink): void;
}

const parsed = (message: string): Partial<ToRobot> => {
	try {
		return JSON.parse(message) as Partial<ToRobot>;
	} catch {
		return {};
	}
};
const alive = JSON.stringify({ type: 'alive' });
let rows = 0;

/** By the name of the check that finds it. */
export const planted: Readonly<Record<string, (robot: StandIn) => Wire>> = {
	notPaired: () => ({
		hear(message, line, send) {
			const frame = parsed(message);
			if (frame.type === 'begin' && frame.id === 1) send({ type: 'done', id: 1 });
			else line.receive(message);
		}
	}),
	notJson: () => ({
		say: (frame, send) =>
			frame.type === 'bad' && frame.why === 'notJson' ? undefined : send(frame)
	}),
	wrongSigns({ end }) {
		// It takes whatever is opened.
		const door = end.door as unknown as {
			knocks: Map<Caller, { round?: { right: Caller[] } }>;
			open: Door['open'];
		};
		const open = door.open.bind(door);
		door.open = (caller, nonce, time) => {
			door.knocks.get(caller)?.round?.right.push(caller);
			open(caller, nonce, time);
		};
		return {};
	},
	id: () => ({
		say: (frame, send) => send(frame.type === 'greeting' ? { ...frame, id: 'another' } : frame)
	}),
	settings: () => ({
		say: (frame, send) =>
			send(frame.type === 'greeting' ? { ...frame, settings: { left: 'Z', wheels: 7 } } : frame)
	}),
	places: () => ({
		say: (frame, send) =>
			send(frame.type === 'sense' ? { ...frame, at: { x: 1e308, y: 0, bearing: 0 } } : frame)
	}),
	busy: () => ({
		say: (frame, send) =>
			send(frame.type === 'sorry' && frame.why === 'busy' ? { type: 'sorry', why: 'flat' } : frame)
	}),
	rows: () => ({
		say(frame, send) {
			if (frame.type !== 'sense' || (rows += 1) % 5 === 0) send(frame);
		}
	}),
	readings: () => ({
		say(frame, send) {
			if (frame.type !== 'sense') return send(frame);
			const row = Object.fromEntries(
				Object.entries(frame.row).filter(([reading]) => reading !== 'heading')
			);
			send({ ...frame, row });
		}
	}),
	badOrder: () => ({
		say: (frame, send) =>
			send(
				frame.type === 'refused' && frame.why === 'badOrder'
					? { type: 'done', id: frame.id }
					: frame
			)
	}),
	done: () => ({
		say(frame, send) {
			send(frame);
			if (frame.type === 'done') send(frame);
		}
	}),
	halt: () => ({
		hear: (message, line) => (parsed(message).type === 'halt' ? undefined : line.receive(message))
	}),
	watchdog: () => ({ meanwhile: (line) => line.receive(alive) }),
	alone: () => ({ say: (frame, send) => (frame.type === 'fault' ? undefined : send(frame)) }),
	ended: () => ({ say: (frame, send) => (frame.type === 'ended' ? undefined : send(frame)) }),
	token: () => ({
		say: (frame, send) =>
			send(frame.type === 'greeting' ? { ...frame, proof: '0'.repeat(64) } : frame)
	}),
	free: () => ({ closed: () => {}, meanwhile: (line) => line.receive(alive) })
};

/** Puts a fault between a robot and whoever talks to it. */
export function plant(robot: StandIn, fault: Wire): void {
	const { end } = robot;
	const connect = end.connect.bind(end);
	end.connect = (send, close) => {
		const say = (frame: FromRobot) => (fault.say ? fault.say(frame, send) : send(frame));
		const line = connect(say, close);
		const timer = fault.meanwhile && setInterval(() => fault.meanwhile!(line), 100);
		return {
			receive: (message) => (fault.hear ? fault.hear(message, line, send) : line.receive(message)),
			closed() {
				if (fault.closed) return fault.closed(line);
				clearInterval(timer);
				line.closed();
			}
		};
	};
}
