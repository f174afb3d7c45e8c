/** Values of steps as a person reads them, and what they are called. */
import { isExpression, type Value, type ValueDefinition } from '$core/steps/definition';
import { readFilm } from '$core/pictures/film';
import { drawnFace } from '$core/pictures/face';
import { readClip } from '$core/sounds/clip';
import { readPicture } from '$core/pictures/picture';
import { hasMessage, t } from '$lib/i18n';
import './core';
import { showExpression } from './expression-words';
import { colourName, showNumber } from './format';

/** A value as its chip shows it. */
export function showValue(
	kind: string,
	name: string,
	definition: ValueDefinition,
	value: Value
): string {
	if (isExpression(value)) return showExpression(value.expression);
	switch (definition.type) {
		case 'colour':
			return colourName(String(value));
		case 'choice':
			return choiceWord(kind, name, String(value));
		case 'number':
			return showNumber(definition.quantity, Number(value));
		case 'anything':
			return typeof value === 'number' ? showNumber('number', value) : `“${value}”`;
		case 'name':
			if (definition.of === 'lampPost' && value === '') return t('value.anyPost');
			return String(value);
		case 'inputs':
			return value === '' ? t('value.noInputs') : String(value);
		case 'notes':
			return shorten(String(value)) || t('value.noNotes');
		case 'picture':
			return t('value.picture', { count: readPicture(String(value))?.filter(Boolean).length ?? 0 });
		case 'film':
			return t('value.film', { count: readFilm(String(value))?.length ?? 0 });
		case 'face':
			return drawnFace(String(value)) ? t('value.ownFace') : choiceWord(kind, name, String(value));
		case 'clip':
			return clipName(String(value));
		case 'condition':
			return String(value);
	}
}

/** What a sound is called: ours by a word, a recording as its maker called it. */
export const clipName = (text: string): string => readClip(text)?.name ?? t(`clip.${text}`);

const shorten = (text: string): string => (text.length > 18 ? `${text.slice(0, 17)}…` : text);

export function choiceWord(kind: string, name: string, option: string): string {
	const key = `step.${kind}.${name}.${option}`;
	return hasMessage(key) ? t(key) : option;
}

/** The name of a value; an input of a routine has the name that its maker gave it. */
export function valueName(kind: string, name: string): string {
	const key = `step.${kind}.${name}`;
	return hasMessage(key) ? t(key) : name;
}
