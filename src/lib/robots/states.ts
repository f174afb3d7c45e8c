/** How a robot is, in one sentence that says what to do about it. */
import type { Advert } from '$core/link/frames';
import { t } from '$lib/i18n';
import type { Linked } from './robots.svelte';

/** Below this it is too far away to be talked to. */
const farSignal = 0.1;

interface Known {
	readonly name: string;
	readonly advert: Advert | undefined;
	readonly link: Linked | undefined;
	readonly isMine: boolean;
}

export function stateSentence({ name, advert, link, isMine }: Known): string {
	if (link) {
		const { state } = link;
		if (state.phase === 'paired' && state.odd.length > 0)
			return t('robots.state.odd', { settings: state.odd.join(', ') });
		if (state.phase === 'paired' || state.phase === 'confirm' || state.phase === 'connecting')
			return t(`robots.state.${state.phase}`);
		const { trouble = 'gone', sorry } = state;
		const values = {
			name,
			with: sorry?.with ?? '',
			minutes: Math.floor((sorry?.since ?? 0) / 60),
			seconds: Math.ceil(sorry?.seconds ?? 0)
		};
		// A robot whose protocol is older than ours says so itself.
		const isOld = trouble === 'tooOld' && advert?.version === 0;
		const what = t(`robots.trouble.${isOld ? 'oldRobot' : trouble}`, values);
		return state.phase === 'lost' ? `${what} ${t('robots.lost')}` : what;
	}
	if (!advert) return t('robots.state.unheard');
	if (advert.version === 0) return t('robots.state.tooOld', { firmware: advert.firmware });
	if (advert.signal < farSignal) return t('robots.state.far');
	if (isMine && advert.state === 'ready') return t('robots.state.letGo');
	return t(`robots.state.${advert.state}`, {
		name: advert.with ?? '',
		minutes: Math.floor((advert.since ?? 0) / 60),
		seconds: Math.ceil(advert.seconds ?? 0)
	});
}
