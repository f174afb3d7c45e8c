/** All that keys do at the desk of a plan. None is one that browsers use for themselves. */
import { deskKeys } from '$lib/desk/keys';
import { runKeys } from '$lib/ui/run-keys';
import { panKeys, zoomKeys } from '$lib/floor/keys';
import { carryKeys, chainKeys, copyKeys, tagKeys, walkKeys } from '$lib/trail/key-table';
import type { KeySheet } from '$lib/ui/keys';

export const planSheet: KeySheet = [
	{ group: 'plan', shortcuts: { ...runKeys, ...deskKeys } },
	{ group: 'walk', shortcuts: walkKeys },
	{ group: 'step', shortcuts: { ...tagKeys, ...copyKeys } },
	{ group: 'carry', shortcuts: carryKeys },
	{ group: 'chain', shortcuts: chainKeys },
	{ group: 'floor', shortcuts: { ...panKeys, ...zoomKeys } }
];
