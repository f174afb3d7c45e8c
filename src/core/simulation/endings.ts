/** How a rehearsal ends, in its sentence: what it came to, and why no more came of it. */
import type { Course } from '../course/course';
import type { Interpreter } from '../interpreter/interpreter';
import type { Program } from '../interpreter/program';
import type { Sentence } from '../sentence';
import type { Outcome, OutcomeKind } from './attempt';
import type { CrewMember } from './crew-member';
import type { Stage } from './stage';

export class Endings {
	constructor(
		private readonly stage: Stage,
		private readonly interpreter: Interpreter,
		private readonly program: Program,
		private readonly course: Course
	) {}

	planOver(): Outcome {
		const seconds = round(this.stage.time);
		if (this.notBegun) return this.outcome('ended', { key: this.notBegun });
		if (this.isInFinish()) {
			return this.outcome('finished', { key: 'outcome.finished', values: { seconds } });
		}
		const { finish } = this.course;
		const isAnyInAir = this.stage.crew.some(({ isOnGround }) => !isOnGround);
		if (isAnyInAir) return this.outcome('ended', { key: 'outcome.inTheAir', values: { seconds } });
		if (!finish) return this.outcome('ended', { key: 'outcome.over', values: { seconds } });
		const bumps = this.stage.crew.flatMap(({ journal }) => journal.bumps);
		const bump = bumps.find(({ against }) => against === 'wall');
		const distance = this.distanceTo(finish.at) - finish.radius;
		const key = bump?.number ? 'outcome.endedAfterBump' : 'outcome.ended';
		const values = { seconds, centimetres: Math.max(1, distance * 100), number: bump?.number ?? 0 };
		return this.outcome('ended', { key, values });
	}

	/** Why nothing ran, if nothing did. */
	private get notBegun(): string | undefined {
		const { interpreter } = this;
		if (this.program.chains.every(({ steps }) => steps.length === 0)) return 'outcome.nothing';
		if (interpreter.hasBegun) return undefined;
		return interpreter.waitsForHands ? 'outcome.untouched' : 'outcome.notBegun';
	}

	fell({ journal }: CrewMember): Outcome {
		const number = journal.driving?.number ?? 0;
		return this.outcome('fell', { key: 'outcome.fell', values: { number } });
	}

	noRoomFor({ name }: CrewMember): Outcome {
		return this.outcome('halted', { key: 'outcome.noRoom', values: { name } });
	}

	stalled(member: CrewMember): Outcome {
		const number = member.journal.driving?.number ?? 0;
		const holder = this.stage.holderOf(member);
		const key = holder ? `outcome.stoppedBy.${holder}` : 'outcome.stoppedByItself';
		return this.outcome('halted', { key, values: { number } });
	}

	crashed(fault: Sentence): Outcome {
		return this.outcome('crashed', fault);
	}

	/** @param limit seconds */
	outOfTime(limit: number): Outcome {
		const { crew } = this.stage;
		const step = crew.map(({ journal }) => journal.innermost).find((innermost) => innermost);
		const values = { seconds: limit, number: step?.number ?? 0 };
		return this.outcome('timeout', {
			key: crew.some(({ journal }) => journal.isBusy) ? 'outcome.timeoutBusy' : 'outcome.timeout',
			values
		});
	}

	usedUp(): Outcome {
		const { total, usedUpBy } = this.interpreter.budget;
		const values = {
			number: usedUpBy?.number ?? 0,
			seconds: round(this.stage.time),
			millions: total / 1e6
		};
		return this.outcome('timeout', { key: 'outcome.usedUp', values });
	}

	crowded(): Outcome {
		const values = { seconds: round(this.stage.time) };
		return this.outcome('timeout', { key: 'outcome.crowded', values });
	}

	/** With what it came to so far. */
	private outcome(kind: OutcomeKind, reason: Sentence): Outcome {
		return {
			kind,
			reason,
			seconds: this.stage.time,
			reachedFinish: this.isInFinish(),
			lampPosts: this.stage.place.reached
		};
	}

	/** Whether one of them is: a ring has room for one. */
	private isInFinish(): boolean {
		const { finish } = this.course;
		if (finish === null) return false;
		return this.stage.crew.some(
			(member) => member.isOnGround && member.distanceTo(finish.at) <= finish.radius
		);
	}

	/** Of the nearest robot. */
	private distanceTo(point: readonly [number, number]): number {
		return Math.min(...this.stage.crew.map((member) => member.distanceTo(point)));
	}
}

const round = (seconds: number): number => Math.round(seconds * 10) / 10;
