/** What is asked of the workbench by whoever has to do with real robots. */
import type { Edit } from '$core/plan/edits';
import type { Plan, PlanRobot } from '$core/plan/plan';
import type { Doing } from '$core/robots/robot';
import type { Desk } from '$lib/desk/desk.svelte';
import type { Runs } from '$lib/desk/runs.svelte';
import type { Stand } from '$lib/desk/stand';
import type { Voice } from '$lib/desk/voice.svelte';
import type { Saver } from '$lib/saving/saver.svelte';
import type { Player } from '$lib/timeline/player.svelte';

export interface LiveStand extends Stand {
	readonly saver: Pick<Saver, 'id'>;
	readonly desk: Pick<Desk<Plan, Edit>, 'edit'>;
	readonly voice: Voice;
	readonly runs: Runs;
	readonly player: Player;
	/** The robot whose figures are shown. */
	readonly robot: PlanRobot;
	readonly editing: {
		/** Adds what was driven by hand, as steps. */
		addDriven(doings: readonly Doing[], news: string): void;
	};
	readonly leaves: {
		/** Where a hand says where the robot stands. */
		readonly opened: { readonly truth?: object };
		openTruth(): Promise<void>;
	};
	setRobot(robot: PlanRobot): void;
	chooseCourse(id: string | null): void;
}
