/** Moments, as a person says them. */
import { createSubscriber } from 'svelte/reactivity';
import { language, t } from '$lib/i18n';

const minute = 60;
const hour = 60 * minute;
const day = 24 * hour;

/** Lets what shows a moment say it anew now and then. */
const goesOn = createSubscriber((update) => {
	const timer = setInterval(update, (minute / 2) * 1000);
	return () => clearInterval(timer);
});

/** For a tooltip: date and time of day. */
export const showTime = (iso: string): string =>
	new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' }).format(
		Date.parse(iso)
	);

/** "10 minutes ago"; the date after a week. @param now milliseconds since 1970 */
export function sayTime(iso: string, now: number): string {
	const seconds = (now - Date.parse(iso)) / 1000;
	const ago = (unit: 'minute' | 'hour' | 'day', size: number) =>
		new Intl.RelativeTimeFormat(language, { numeric: 'auto' }).format(
			-Math.round(seconds / size),
			unit
		);
	if (seconds < minute) return t('time.now');
	if (seconds < hour - minute / 2) return ago('minute', minute);
	if (seconds < day - hour / 2) return ago('hour', hour);
	if (seconds < 7 * day) return ago('day', day);
	return new Intl.DateTimeFormat(language, { dateStyle: 'medium' }).format(Date.parse(iso));
}

/** As it is said at this moment, and again while it is shown. */
export function saidNow(iso: string): string {
	goesOn();
	return sayTime(iso, Date.now());
}
