/**
 * What is known of robots: fitted models, by kind and name. They lie on this device, and on the server for
 * everybody who has that robot; the newer one counts.
 */
import { isFields, parseJson } from '$core/document';
import type { Measure } from '$core/fitting/line';
import type { RobotModelDocument } from '$core/fitting/robot-model';
import type { NamedRobot } from '$core/robots/robot-document';
import { request } from '$lib/saving/send';
import { store, stored } from '$lib/storage';

type Named = Pick<NamedRobot, 'kind' | 'name'>;

export interface KnownRobot {
	readonly model: RobotModelDocument;
	/** Rehearsals go by it. */
	readonly isUsed: boolean;
}

const key = 'lantern-step.models';
const measuresKey = 'lantern-step.measures';
const keyOf = ({ kind, name }: Named): string => `${kind} ${name}`;

const pathOf = ({ kind, name }: Named): string =>
	`/api/robot-models?${new URLSearchParams({ kind, name })}`;

/** What is stored here, as far as it is ours. @param isOurs of each entry */
function load<T>(key: string, isOurs: (entry: T) => boolean): Record<string, T> {
	const read = parseJson(stored(key) ?? '{}');
	const entries = Object.entries((read.ok && (read.value as Record<string, T> | null)) || {});
	return Object.fromEntries(entries.filter(([, entry]) => isOurs(entry)));
}

class KnownRobots {
	private all = $state.raw(load<KnownRobot>(key, (known) => isFields(known?.model?.parameters)));
	private measures = $state.raw(load<readonly Measure[]>(measuresKey, Array.isArray));

	/** Moves of it that were measured by themselves. */
	measuresOf(robot: Named): readonly Measure[] {
		return this.measures[keyOf(robot)] ?? [];
	}

	setMeasures(robot: Named, measures: readonly Measure[]): void {
		this.measures = { ...this.measures, [keyOf(robot)]: measures };
		store(measuresKey, JSON.stringify(this.measures));
	}

	of(robot: Named): KnownRobot | undefined {
		return this.all[keyOf(robot)];
	}

	private set(robot: Named, known: KnownRobot | undefined): void {
		const others = Object.entries(this.all).filter(([other]) => other !== keyOf(robot));
		this.all = Object.fromEntries(known ? [...others, [keyOf(robot), known]] : others);
		// A device without storage knows it until the page is left.
		store(key, JSON.stringify(this.all));
	}

	/** @returns whether the server has it, too */
	async put(model: RobotModelDocument): Promise<boolean> {
		this.set(model, { model, isUsed: true });
		return request('PUT', pathOf(model), model).then(
			() => true,
			() => false
		);
	}

	use(robot: Named, isUsed: boolean): void {
		const known = this.of(robot);
		if (known) this.set(robot, { ...known, isUsed });
	}

	/** @returns whether the server has forgotten it, too */
	async forget(robot: Named): Promise<boolean> {
		this.set(robot, undefined);
		return request('DELETE', pathOf(robot)).then(
			() => true,
			() => false
		);
	}

	/** Takes what the server knows, where that is newer. Where it is not reached, what is here counts. */
	async ask(robot: Named): Promise<void> {
		const answer = await request('GET', pathOf(robot)).catch(() => null);
		const { model } = (answer ?? {}) as { model?: RobotModelDocument | null };
		const known = this.of(robot);
		if (!model || (known && known.model.at >= model.at)) return;
		this.set(robot, { model, isUsed: known?.isUsed ?? true });
	}
}

export const knownRobots = new KnownRobots();
