/** How the figures of a series are shown: in which unit, on which axis, by which name. */
import './words';
import type { Series, SeriesUnit } from '$core/attempts/series';
import { hasMessage, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';

/** What is shown as something else than it is kept. */
interface Scale {
	/** As in `unit.<unit>` and `value.<unit>`. */
	readonly word: string;
	/** Shown units in one unit of the core. */
	readonly factor: number;
	readonly digits: number;
}

const asKept: Readonly<Record<SeriesUnit, Scale>> = {
	metres: { word: 'length', factor: 100, digits: 1 },
	mps: { word: 'cmps', factor: 100, digits: 1 },
	degrees: { word: 'angle', factor: 1, digits: 1 },
	dps: { word: 'dps', factor: 1, digits: 1 },
	part: { word: 'ratio', factor: 100, digits: 0 },
	seconds: { word: 'duration', factor: 1, digits: 1 },
	hertz: { word: 'frequency', factor: 1, digits: 0 },
	count: { word: 'number', factor: 1, digits: 0 },
	truth: { word: 'number', factor: 1, digits: 0 },
	plain: { word: 'number', factor: 1, digits: 2 },
	colour: { word: 'number', factor: 1, digits: 0 }
};

export function scaleOf(unit: SeriesUnit): Scale {
	const isInch = preferences.lengths === 'inch';
	if (isInch && unit === 'metres') return { word: 'inch', factor: 1 / 0.0254, digits: 2 };
	if (isInch && unit === 'mps') return { word: 'inchps', factor: 1 / 0.0254, digits: 1 };
	return asKept[unit];
}

/** What its axis is called: of all that share it, no more than the unit. */
export function axisTitle(unit: SeriesUnit): string {
	if (hasMessage(`chart.axis.${unit}`)) return t(`chart.axis.${unit}`);
	return t(`unit.${scaleOf(unit).word}`);
}

export function nameOfSeries({ group, name }: Pick<Series, 'group' | 'name'>): string {
	if (group === 'reading') return t(`reading.${name}`);
	const key = `chart.${group}.${name}`;
	// A kind that has come later may have brought no word for its column.
	return hasMessage(key) ? t(key) : name;
}

/** @param value in the unit of the core */
export function figureWords(unit: SeriesUnit, value: number): string {
	if (Number.isNaN(value)) return t('readings.nothing');
	if (unit === 'truth') return t(value ? 'constant.yes' : 'constant.no');
	const { word, factor, digits } = scaleOf(unit);
	return t(`value.${word}`, { value: Number((value * factor).toFixed(digits)) + 0 });
}
