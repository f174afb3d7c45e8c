/** A raft that drifts with the water and can only sink a float: a made-up kind, for tests. */
import type { Wait } from '../../src/core/devices/port';
import type { Random } from '../../src/core/random/random';
import { pathThrough, type Drawing } from '../../src/core/robots/drawing';
import { assemble, part, type Machine } from '../../src/core/robots/machine';
import type { Making, RobotKind, RobotModel } from '../../src/core/robots/robot';
import { tick } from '../../src/core/time';
import type { Body, Motion, Outline } from '../../src/core/world/body';
import { float } from './device';

const outline: Outline = [
	[0.08, -0.06],
	[0.08, 0.06],
	[-0.08, 0.06],
	[-0.08, -0.06]
];
/** m/s by which the float goes up and down. */
const sinking = 0.1;
/** m/s by which the current changes in a tick, at the most. */
const gust = 0.002;

class Raft implements Machine, Body {
	readonly body = this;
	battery = 1;
	readonly outline = outline;
	readonly mass = 0.6;
	readonly inertia = 0.002;
	readonly placing = [0, 0, 0] as const;
	readonly isStalled = false;
	/** What only drifts does nothing that a plan could wait for. */
	readonly isStill = true;
	readonly isPlaying = false;
	depth = 0;
	private wanted = 0;
	private readonly motion: Motion = { ahead: 0, left: 0, turning: 0 };
	private readonly current: number;
	private readonly chance: Random;
	private readonly parts = assemble([
		part(float, { sink: ({ depth }) => this.sink(depth) }, { floatDepth: () => this.depth })
	]);
	readonly begin = this.parts.begin;
	readonly read = this.parts.read;
	readonly display = this.parts.read;

	constructor({ settings, variation, chance }: Making) {
		this.current = variation === 'ideal' ? 0 : Number(settings.current);
		this.chance = chance;
	}

	get speed(): number {
		return this.motion.ahead;
	}

	private sink(depth: number): Wait {
		this.wanted = depth;
		return { isOver: () => this.depth === depth };
	}

	advance(): void {
		const way = this.wanted - this.depth;
		this.depth += Math.max(-sinking * tick, Math.min(sinking * tick, way));
		const drift = this.motion.ahead + gust * this.chance.chance();
		this.motion.ahead = Math.max(-this.current, Math.min(this.current, drift));
	}
	wish(): Readonly<Motion> {
		return this.motion;
	}
	settle({ ahead }: Readonly<Motion>): void {
		this.motion.ahead = ahead;
	}
	sense(): void {}
	rest(): void {}
}

const drawing: Drawing = [
	{ ink: 'hull', path: pathThrough(outline) },
	{ ink: 'bow', path: 'M.05-.03.07 0 .05.03' }
];

export const raft: RobotKind<Raft> = {
	kind: 'raft',
	sampleName: 'Driftwood',
	devices: [float],
	settings: {
		current: {
			type: 'number',
			quantity: 'number',
			minimum: 0,
			maximum: 0.2,
			increment: 0.01,
			initial: 0.05
		},
		paint: { type: 'colour', initial: '#38d39f' },
		side: { type: 'choice', options: ['bow', 'stern'], initial: 'bow' }
	},
	columns: [{ name: 'depth', unit: 'part', of: ({ depth }) => depth }],
	drawing,
	outline,
	topSpeed: 0.2,
	weakest: 0
};

export const raftModel: RobotModel<Raft> = {
	parameters: {},
	build: (making) => new Raft(making)
};
