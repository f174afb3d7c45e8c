/** Values as they come out while a plan runs, in words. */
import type { Datum, NumberType, Type } from '$core/types';
import { colourCode, floorColours } from '$core/colours';
import { t } from '$lib/i18n';
import { preferences } from '$lib/preferences.svelte';
import { showNumber } from './format';

/** The number of a sensed column: truths are 0 and 1, colours 0xrrggbb. */
export function showSensed(type: Type, value: number): string {
	if (Number.isNaN(value)) return t('readings.nothing');
	if (type.kind === 'truth') return t(value ? 'constant.yes' : 'constant.no');
	if (type.kind === 'colour') return colourOf(colourCode(value));
	return type.kind === 'number' ? showUnits(type, value) : String(value);
}

function colourOf(code: string): string {
	const known = Object.entries(floorColours).find(([, colour]) => colour === code);
	return known ? t(`constant.${known[0]}`) : code;
}

function showUnits({ metres, seconds, degrees, isPart }: NumberType, value: number): string {
	if (metres === 1 && seconds === 0) return showNumber('length', value);
	if (metres === 1 && seconds === -1) {
		const isInch = preferences.lengths === 'inch';
		const tenths = Math.round((value / (isInch ? 0.0254 : 0.01)) * 10);
		// A tiny speed backwards is no speed, not minus nothing.
		return t(isInch ? 'value.inchps' : 'value.cmps', { value: tenths === 0 ? 0 : tenths / 10 });
	}
	if (degrees === 1 && seconds === 0) return showNumber('angle', Math.round(value));
	if (seconds === 1) return showNumber('duration', Math.round(value * 10) / 10);
	return isPart ? showNumber('ratio', value) : showNumber('number', value);
}

export function showDatum(value: Datum): string {
	if (Array.isArray(value)) return value.map(showDatum).join(', ');
	if (typeof value === 'boolean') return t(value ? 'constant.yes' : 'constant.no');
	if (typeof value === 'string') return value.startsWith('#') ? colourOf(value) : value;
	return Number.isNaN(value) ? t('readings.nothing') : showNumber('number', value);
}
