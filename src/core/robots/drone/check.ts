/** What is odd about the steps of a drone: moves on the ground, no landing, the ceiling, the battery. */
import { takeOffHeight } from '../../devices/flying/device';
import type { Course } from '../../course/course';
import { definitionOf } from '../../steps/catalogue';
import type { Values } from '../../steps/definition';
import type { Doing, Fault, ListedStep } from '../robot';
import * as settings from './settings';

/** What is known of it before a step; NaN for a height that nobody knows, undefined for "who knows". */
interface State {
	isUp: boolean | undefined;
	height: number;
	/** In the air since Run. */
	seconds: number;
}

/** Seconds that a take-off takes, and that a move takes to get going and to end still. */
const takeOffTime = 3;
const settling = 1.5;

const numberOf = ({ values }: Doing, name: string): number =>
	typeof values[name] === 'number' ? values[name] : NaN;

/** Moves that it makes in the air only. */
const needsAir = ({ kind }: Doing): boolean =>
	!['takeOff', 'land', 'cutMotors'].includes(kind) && definitionOf(kind).drives === true;

/** Seconds that a step takes, about. */
function secondsOf(step: Doing): number {
	const { kind } = step;
	if (kind === 'takeOff') return takeOffTime;
	const duration = numberOf(step, 'duration');
	if (duration > 0) return duration;
	if (kind === 'go' || kind === 'arc') {
		const angle = kind === 'arc' ? (numberOf(step, 'angle') * Math.PI) / 180 : 1;
		const way = numberOf(step, kind === 'arc' ? 'radius' : 'distance') * angle;
		return Math.abs(way / (numberOf(step, 'speed') * settings.topSpeed)) + settling || 0;
	}
	if (kind === 'turn')
		return (numberOf(step, 'angle') * Math.PI) / 180 / settings.turnRate + 1 || 0;
	return 0;
}

class Walk {
	readonly faults: Fault[] = [];
	readonly state: State = { isUp: false, height: 0, seconds: 0 };
	private readonly said = new Set<string>();
	private readonly charge: number;

	constructor(
		own: Values,
		private readonly course: Course | undefined
	) {
		this.charge = settings.chargeOf(own);
	}

	/** Says each thing once: what follows from it would only be more of the same. */
	private say(fault: Fault): void {
		if (this.said.has(fault.key)) return;
		this.said.add(fault.key);
		this.faults.push(fault);
	}

	private get battery(): number {
		return this.charge - this.state.seconds * settings.flightDrain;
	}

	over(steps: readonly ListedStep[]): void {
		for (const step of steps) {
			if (step.off) continue;
			if (step.body) this.overBody(step, step.body);
			else this.step(step);
		}
	}

	private overBody(holder: Doing, body: readonly ListedStep[]): void {
		const { state } = this;
		const before = { ...state };
		this.over(body);
		const times = holder.kind === 'repeat' ? numberOf(holder, 'times') : 1;
		state.seconds = before.seconds + (state.seconds - before.seconds) * (times || 1);
		const isSure = holder.kind === 'repeat' && times > 0;
		if (state.isUp !== before.isUp && !isSure) state.isUp = undefined;
		if (state.height !== before.height) state.height = NaN;
		this.watchBattery(holder);
	}

	private step(step: Doing): void {
		const { state } = this;
		const { kind } = step;
		if (needsAir(step) && state.isUp === false) {
			const before = { kind: 'takeOff', values: {} };
			this.say({ step, key: 'notInTheAir', mend: { key: 'takeOffFirst', before } });
			state.isUp = undefined;
			state.height = NaN;
		}
		if (kind === 'takeOff') Object.assign(state, { isUp: true, height: takeOffHeight });
		if (kind === 'flip') this.flip(step);
		if (kind === 'go') this.climb(step);
		if (state.isUp) state.seconds += secondsOf(step);
		if (kind === 'land' || kind === 'cutMotors') Object.assign(state, { isUp: false, height: 0 });
		this.watchBattery(step);
	}

	private flip(step: Doing): void {
		const { height } = this.state;
		if (this.battery < settings.flipBattery)
			this.say({ step, key: 'flipBattery', ...this.charging });
		if (!(height < settings.flipHeight)) return;
		const distance = Math.ceil((settings.flipHeight - height + 0.05) * 10) / 10;
		const before = { kind: 'go', values: { direction: 'up', distance, speed: 0.4 } };
		this.say({
			step,
			key: 'flipTooLow',
			values: { height },
			mend: { key: 'higherFirst', before }
		});
	}

	private climb(step: Doing): void {
		const { direction } = step.values;
		if (direction !== 'up' && direction !== 'down') return;
		const { state, course } = this;
		const room = (course?.ceiling ?? Infinity) - settings.tall - state.height;
		const distance = numberOf(step, 'distance') * (direction === 'up' ? 1 : -1);
		if (distance >= room) {
			const value = Math.max(0.01, Math.floor((room - 0.1) * 100) / 100);
			const set = { name: 'distance', value };
			this.say({
				step,
				key: 'ceiling',
				values: { ceiling: course!.ceiling },
				...(direction === 'up' ? { mend: { key: 'notSoHigh', set } } : {})
			});
		}
		state.height = Math.max(0, state.height + distance);
		if (state.height === 0) state.isUp = false;
	}

	private watchBattery(step: Doing): void {
		if (!(this.battery < settings.lastBattery)) return;
		this.say({ step, key: 'lowBattery', values: { charge: this.charge }, ...this.charging });
	}

	/** It can be charged first, if it is not full anyway. */
	private get charging(): Pick<Fault, 'mend'> {
		return this.charge < 1 ? { mend: { key: 'chargeFirst', fit: { charge: 1 } } } : {};
	}

	/** @param last that is not switched off */
	end(last: Doing | undefined): void {
		const after = { kind: 'land', values: {} };
		if (last && this.state.isUp)
			this.say({ step: last, key: 'noLanding', mend: { key: 'landAtTheEnd', after } });
	}
}

export function check(
	steps: readonly ListedStep[],
	own: Values,
	isWhole: boolean,
	course?: Course
): readonly Fault[] {
	if (!isWhole) return [];
	const walk = new Walk(own, course);
	walk.over(steps);
	walk.end(steps.findLast(({ off }) => !off));
	return walk.faults;
}
