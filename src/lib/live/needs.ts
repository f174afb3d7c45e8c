/** What is missing before a plan can run on its robots: each with what mends it. */
import '$lib/words/core';
import { robotKindOf, robotKinds } from '$core/robots/kinds';
import { flying } from '$core/devices/flying/device';
import { eachStep, robotOfChain, type Plan } from '$core/plan/plan';
import type { Attempt } from '$core/simulation/attempt';
import { definitionOf } from '$core/steps/catalogue';
import { needsOf as needsOfStep } from '$core/steps/definition';
import { t } from '$lib/i18n';
import type { Robots } from '$lib/robots/robots.svelte';
import type { Role } from './matching';

/** Part of the battery that should be left at the end. */
const reserve = 0.05;
/** What a plan that was never rehearsed is taken to need. */
const unknownNeed = 0.1;

export type Remedy = 'pair' | 'choose' | 'makeFor' | 'placed' | 'lineUp' | 'clear' | 'without';

export interface Need {
	readonly key: string;
	readonly text: string;
	readonly part: Role;
	/** What a button beside it does, if the app can do something. */
	readonly remedy?: Remedy;
	/** The words of that button. */
	readonly button?: string;
}

interface Known {
	readonly robots: Pick<Robots, 'links' | 'paired'>;
	/** The newest attempt of the plan. */
	readonly attempt: Attempt | null;
	readonly isPlaced: (id: string) => boolean;
	/** It was lost on its way in the run before. */
	readonly wasLost: boolean;
	readonly plan: Plan;
	/** It may run although it lacks something. */
	readonly isFineWithout: (id: string) => boolean;
	readonly isLinedUp: (id: string) => boolean;
	readonly isRoomClear: boolean;
}

export const needsNow = (parts: readonly Role[], known: Known): Need[] =>
	parts.flatMap((part) => needOf(part, known) ?? []);

/** The first thing that is missing of one robot: what comes after it may depend on it. */
function needOf(part: Role, known: Known): Need | undefined {
	const { wanted, robot, id } = part;
	const make = (key: string, values: object, more: Partial<Need> = {}): Need => ({
		key: `${wanted.id} ${key}`,
		text: t(`live.need.${key}`, { ...values }),
		part,
		...more
	});
	if (!robot) {
		const link = id === undefined ? undefined : known.robots.links[id];
		const isLost = link?.state.phase === 'lost' || link?.state.phase === 'connecting';
		if (isLost) return make('lost', { name: wanted.name });
		if (known.robots.paired.length > 0)
			return make(
				'robot',
				{ name: wanted.name },
				{ remedy: 'choose', button: t('live.need.choose') }
			);
		return make('none', {}, { remedy: 'pair', button: t('live.need.pair') });
	}
	const { name, kind } = robot;
	if (kind !== wanted.kind) {
		const isKnown = robotKinds.some((one) => one.kind === kind);
		const values = {
			name,
			kind: isKnown ? t(`bench.kind.${kind}`) : kind,
			wanted: t(`bench.kind.${wanted.kind}`)
		};
		const button = isKnown ? t('live.need.makeFor', { name }) : t('live.need.choose');
		return make('kind', values, { remedy: isKnown ? 'makeFor' : 'choose', button });
	}
	const lacks = known.isFineWithout(robot.id) ? undefined : lackingOf(known.plan, part);
	if (lacks !== undefined) {
		const values = { name, lacks: t(`check.cannot.${lacks}`) };
		return make('lacks', values, { remedy: 'without', button: t('live.need.lacksAnyway') });
	}
	const link = known.robots.links[robot.id];
	if (link?.isCharging) return make('charging', { name });
	const needed = batteryFor(wanted.id, known.attempt);
	if (link?.battery !== undefined && link.battery < needed)
		return make('battery', {
			name,
			percent: Math.round(link.battery * 100),
			wanted: Math.ceil(needed * 100)
		});
	if (!known.isPlaced(robot.id))
		return make(
			known.wasLost ? 'setBack' : 'place',
			{ name },
			{ remedy: 'placed', button: t('live.need.placed') }
		);
	if (robotKindOf(kind).isRound && !known.isLinedUp(robot.id))
		return make('lineUp', { name }, { remedy: 'lineUp', button: t('live.need.doLineUp') });
	if (robot.devices.includes(flying.id) && !known.isRoomClear)
		return make('room', { name }, { remedy: 'clear', button: t('live.need.clear') });
	return undefined;
}

/** The first device that steps for this robot need, and that it does not have although its kind has. */
function lackingOf(plan: Plan, { wanted, robot }: Role): string | undefined {
	let lacks: string | undefined;
	for (const chain of plan.chains) {
		if (robotOfChain(plan, chain).id !== wanted.id) continue;
		eachStep(chain.steps, ({ kind, values, off }) => {
			const needed = off ? [] : needsOfStep(definitionOf(kind), values);
			lacks ??= needed.find(({ id }) => !robot!.devices.includes(id))?.id;
		});
	}
	return lacks;
}

/** What a plan used up in its newest attempt, and a reserve. */
function batteryFor(robot: string, attempt: Attempt | null): number {
	const { battery } = attempt?.runs.find(({ id }) => id === robot)?.trace.columns ?? {};
	if (!battery || battery.length < 2) return unknownNeed;
	const used = battery[0]! - battery[battery.length - 1]!;
	return Math.max(0, Number.isFinite(used) ? used : unknownNeed) + reserve;
}
