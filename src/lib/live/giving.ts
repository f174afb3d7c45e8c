/** Sounds for robots that are to play them: sent before a run, and before a plan that they hold. */
import { clips } from '$core/devices/clips/device';
import type { Greeting } from '$core/link/frames';
import { clipsIn, type Plan } from '$core/plan/plan';
import { t } from '$lib/i18n';
import { robots } from '$lib/robots/robots.svelte';

/** @param announce says what goes on, and what a robot did not take */
export async function giveSounds(
	plan: Plan,
	to: readonly Greeting[],
	announce: (text: string) => void
): Promise<void> {
	const able = to.filter(({ devices }) => devices.includes(clips.id));
	if (able.length === 0 || clipsIn(plan).length === 0) return;
	const { wavsOf } = await import('$lib/sounds/giving');
	const wavs = await wavsOf(plan);
	for (const { id, name } of able) {
		announce(t('live.sounds', { name }));
		const refused = await robots.giveClips(id, wavs);
		if (refused.length > 0) announce(t('live.soundsRefused', { name, count: refused.length }));
	}
}
