/** A moment, for a list. */
export const showTime = (iso: string): string =>
	new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(iso));
