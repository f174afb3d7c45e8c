import { t } from '$lib/i18n';
import type { Summary } from '$lib/saving/answers';

/** What a list says of a content; nothing while nobody has looked at it yet. */
export function showSummary(summary: Summary | null): string {
	if (summary === null) return '';
	if ('isUnreadable' in summary) return t('home.unreadable');
	return 'steps' in summary ? t('home.steps', { count: summary.steps }) : t('home.size', summary);
}

/** By what else it is found: its size, and the kinds of robot that it is laid out for. */
export function wordsOfSummary(summary: Summary | null): string {
	const kinds = summary && 'suits' in summary ? (summary.suits ?? []) : [];
	return [showSummary(summary), ...kinds.map((kind) => t(`bench.kind.${kind}`))].join(' ');
}
