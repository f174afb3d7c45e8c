/** The robots that stand in a yard when it opens, and how they are. */

import type { Values } from '../core/steps/definition';

export interface RosterRow {
	readonly id: string;
	readonly name: string;
	readonly kind: string;
	/** Where they are not those of a new one. */
	readonly settings?: Values;
	/** The sample course that it stands on; otherwise it stands in the boat shed. */
	readonly course?: string;
	/** On and ready, if it is not said. */
	readonly is?: 'off' | 'asleep' | 'far' | 'flat' | 'charging' | 'old';
	/** Somebody has it who is not here. */
	readonly with?: string;
	/** 0 to 1; as it comes, if it is not said. */
	readonly battery?: number;
	/** How well it is heard, 0 to 1. */
	readonly signal: number;
}

export const roster: readonly RosterRow[] = [
	{ id: 'tallow', name: 'Tallow', kind: 'skiff', course: 'open-quay', signal: 0.9 },
	{ id: 'ember-6', name: 'Ember-6', kind: 'skiff', settings: { panel: 'fitted' }, signal: 0.8 },
	{ id: 'wick', name: 'Wick', kind: 'skiffLite', is: 'asleep', signal: 0.75 },
	{ id: 'rushlight', name: 'Rushlight', kind: 'ball', signal: 0.85 },
	{ id: 'taper', name: 'Taper', kind: 'drone', signal: 0.7 },
	{ id: 'dory', name: 'Dory', kind: 'rail', course: 'ferry-rail', signal: 0.6 },
	{ id: 'snuffer', name: 'Snuffer', kind: 'pinboard', signal: 0.65 },
	{ id: 'vesper', name: 'Vesper', kind: 'face', signal: 0.9 },
	{ id: 'tallow-2', name: 'Tallow 2', kind: 'skiff', with: 'Ode', signal: 0.7 },
	{ id: 'wick-2', name: 'Wick 2', kind: 'skiffLite', is: 'far', signal: 0.6 },
	{ id: 'ember-7', name: 'Ember-7', kind: 'skiff', is: 'flat', battery: 0.02, signal: 0.8 },
	{ id: 'rushlight-2', name: 'Rushlight 2', kind: 'ball', is: 'old', signal: 0.5 },
	{ id: 'taper-2', name: 'Taper 2', kind: 'drone', is: 'charging', battery: 0.35, signal: 0.6 },
	{ id: 'vesper-2', name: 'Vesper 2', kind: 'face', is: 'off', signal: 0.8 }
];
