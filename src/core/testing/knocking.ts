/** Somebody before a robot, as tests have them: they answer by themselves what only a machine can. */
import type { Tokens } from '../link/door';
import { fromRobotSchema, type FromRobot, type LinkPerson, type ToRobot } from '../link/frames';
import { Knocker } from '../link/knocker';
import type { RobotEnd } from '../link/robot-end';

/** What a robot remembers until the test is over. */
export function keptTokens(): Tokens {
	const kept = new Map<string, string[]>();
	const of = (person: string): string[] => kept.get(person) ?? [];
	return { of, keep: (person, token) => void kept.set(person, [token, ...of(person)]) };
}

export class Visitor {
	readonly said: FromRobot[] = [];
	readonly knocker: Knocker;
	isClosed = false;
	private readonly line;

	/** @param hear told all that the robot says */
	constructor(
		private readonly end: RobotEnd,
		robot: string,
		person: LinkPerson,
		token?: string,
		private readonly hear: (frame: FromRobot) => void = () => {}
	) {
		this.knocker = new Knocker(robot, person, token);
		this.line = end.connect(
			(frame) => this.take(fromRobotSchema.parse(JSON.parse(JSON.stringify(frame)))),
			() => (this.isClosed = true)
		);
	}

	private take(frame: FromRobot): void {
		this.said.push(frame);
		if (frame.type === 'confirm') this.knocker.see(frame);
		else if (frame.type === 'challenge') this.send(this.knocker.prove(frame));
		else if (frame.type === 'shown') this.send(this.knocker.open(frame));
		this.hear(frame);
	}

	send(frame: ToRobot | undefined): void {
		if (frame) this.sendText(JSON.stringify(frame));
	}
	sendText(text: string): void {
		this.line.receive(text);
	}

	hello(): this {
		this.send(this.knocker.hello());
		return this;
	}

	/** @param signs what they say that they see: what it shows, if it is left out */
	tell(signs = this.end.door.signs!): this {
		this.send(this.knocker.seal(signs));
		return this;
	}

	leave(): void {
		this.line.closed();
	}

	get types(): readonly FromRobot['type'][] {
		return this.said.map(({ type }) => type);
	}
	get last(): FromRobot {
		return this.said.at(-1)!;
	}
	get isIn(): boolean {
		return this.types.includes('greeting');
	}
}
