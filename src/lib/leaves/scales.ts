/** How the figures of a series are shown: in which unit, on which axis, by which name. */
import './words';
import type { Series, SeriesUnit } from '$core/attempts/series';
import { hasMessage, t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';

/** What is shown as something else than it is kept. */
interface Scale {
	/** Key of the unit in the message files. */
	readonly word: string;
	/** Shown units in one unit of the core. */
	readonly factor: number;
	readonly digits: number;
}

const asKept: Readonly<Record<SeriesUnit, Scale>> = {
	metres: { word: 'unit.length', factor: 100, digits: 1 },
	mps: { word: 'unit.cmps', factor: 100, digits: 1 },
	degrees: { word: 'unit.angle', factor: 1, digits: 1 },
	dps: { word: 'unit.dps', factor: 1, digits: 1 },
	part: { word: 'unit.ratio', factor: 100, digits: 0 },
	seconds: { word: 'unit.duration', factor: 1, digits: 1 },
	hertz: { word: 'unit.frequency', factor: 1, digits: 0 },
	count: { word: 'unit.number', factor: 1, digits: 0 },
	truth: { word: 'unit.number', factor: 1, digits: 0 },
	plain: { word: 'unit.number', factor: 1, digits: 2 },
	colour: { word: 'unit.number', factor: 1, digits: 0 }
};

export function scaleOf(unit: SeriesUnit): Scale {
	const isInch = preferences.lengths === 'inch';
	if (isInch && unit === 'metres') return { word: 'unit.inch', factor: 1 / 0.0254, digits: 2 };
	if (isInch && unit === 'mps') return { word: 'unit.inchps', factor: 1 / 0.0254, digits: 1 };
	return asKept[unit];
}

/** What its axis is called: of all that share it, no more than the unit. */
export function axisTitle(unit: SeriesUnit): string {
	if (hasMessage(`chart.axis.${unit}`)) return t(`chart.axis.${unit}`);
	return t(scaleOf(unit).word);
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
	const figure = Number((value * factor).toFixed(digits)) + 0;
	if (unit === 'degrees') return t('value.angle', { value: figure });
	return t('chart.figure', { value: figure, unit: t(word) }).trim();
}
