/** A way as a plan that follows it. */
import type { Course, Gate } from '../course/course';
import { bearingTo, lengthTo, turnBetween } from '../course/measure';
import type { Way } from '../course/search/way';
import { flying, takeOffHeight } from '../devices/flying/device';
import { makePlan, planRobot, type Plan, type Step } from '../plan/plan';
import { likewise } from '../robots/instead';
import { canDo, type Doing, type RobotKind } from '../robots/robot';
import { sampleRobot } from '../robots/robot-document';
import { initialValues } from '../steps/catalogue';

/** A part of the top speed at which no robot slides. */
const speed = 0.4;
/** Degrees that are not worth a turn, and metres that are not worth a climb. */
const straight = 0.05;
const level = 0.05;

/** Metres that stay free above what flies, under the top of a door. */
const above = 0.2;

/** How high something that flies at some height comes through a gate. Metres. */
const heightIn = ({ shape, height }: Gate, now: number): number =>
	shape === 'ring' ? height : Math.min(now, Math.max(height / 2, height - above));

/** As exactly as lengths are told. */
const millimetres = (metres: number): number => Math.round(metres * 1000) / 1000;

/** Moves as they are told, one after the other. */
class Told {
	readonly moves: Doing[] = [];
	private height = takeOffHeight;
	/** Metres straight on that are not told yet: pieces that go on from each other are one move. */
	private ahead = 0;

	constructor(private bearing: number) {}

	/** @param bearing degrees; what is rounded off of a turn is turned with the next */
	turnTo(bearing: number): void {
		const turned = turnBetween(this.bearing, bearing);
		const angle = Math.round(Math.abs(turned) * 10) / 10;
		if (angle <= straight) return;
		this.goAhead();
		this.add('turn', { direction: turned > 0 ? 'right' : 'left', angle });
		this.bearing = (this.bearing + Math.sign(turned) * angle + 360) % 360;
	}

	/** @param distance metres */
	go(distance: number): void {
		this.ahead += distance;
	}

	/** @param heightOf metres, at which it is to be, where it is at another */
	climb(heightOf: (now: number) => number): void {
		const by = heightOf(this.height) - this.height;
		if (Math.abs(by) < level) return;
		this.goAhead();
		this.add('go', {
			direction: by > 0 ? 'up' : 'down',
			distance: millimetres(Math.abs(by)),
			speed
		});
		this.height += by;
	}

	end(): readonly Doing[] {
		this.goAhead();
		return this.moves;
	}

	private goAhead(): void {
		if (this.ahead > 0)
			this.add('go', { direction: 'forward', distance: millimetres(this.ahead), speed });
		this.ahead = 0;
	}

	private add(kind: string, values: Step['values']): void {
		this.moves.push({ kind, values: { ...initialValues(kind), ...values } });
	}
}

function movesAlong({ points, gates }: Way, bearing: number): readonly Doing[] {
	const told = new Told(bearing);
	for (let i = 1; i < points.length; i++) {
		const [from, to] = [points[i - 1]!, points[i]!];
		const gate = gates[i];
		told.turnTo(bearingTo(from, to));
		if (gate) told.climb((now) => heightIn(gate, now));
		told.go(lengthTo(from, to));
		// Back above what its way was sought above.
		if (gate) told.climb((now) => Math.max(now, takeOffHeight));
	}
	return told.end();
}

/** The moves of a way, each as a robot of this kind does it; undefined if it cannot. */
export function planAlong(
	way: Way,
	course: Course,
	kind: RobotKind,
	name: string
): Plan | undefined {
	const moves = movesAlong(way, course.starts[0]?.bearing ?? 0);
	const isFlown = canDo(kind, [flying]);
	const up = isFlown ? [{ kind: 'takeOff', values: {} }] : [];
	const down = isFlown ? [{ kind: 'land', values: {} }] : [];
	const steps: Step[] = [];
	for (const move of [...up, ...moves, ...down]) {
		const own = likewise(kind, move);
		if (own.length === 0) return undefined;
		for (const { kind, values } of own)
			steps.push({
				id: `s${steps.length + 1}`,
				kind,
				values: { ...initialValues(kind), ...values }
			});
	}
	const trigger = { id: 'run', kind: 'whenRunPressed', values: {} };
	return makePlan({
		name,
		robots: [planRobot(sampleRobot(kind))],
		chains: [{ id: 'chain1', trigger, steps }]
	});
}
