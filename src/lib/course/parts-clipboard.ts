/** Parts of a course as a text, by which they come to another course, on this device or elsewhere. */
import type { Loose } from '$core/course/editing/arrange';
import { isPartName } from '$core/course/parts';
import { Copied } from '$lib/copied';

const format = 'lantern-step/parts';
const most = 5000;
const copied = new Copied('lantern-step.copied-parts');

/** What was copied last on this device; null if nothing was. */
export const copiedText = (): string | null => copied.text;

/** Keeps parts on the device. @returns them as a text */
export function keepParts(parts: readonly Loose[]): string {
	const text = JSON.stringify({ format, parts });
	copied.keep(text);
	return text;
}

/** What a text holds that was copied; whether they are parts is found out when they are added. */
export function readParts(text: string): readonly Loose[] | undefined {
	try {
		const value = JSON.parse(text);
		const isOurs = value?.format === format && Array.isArray(value.parts);
		if (!isOurs || value.parts.length > most) return undefined;
		return value.parts.filter(
			(each: { part?: unknown }) => typeof each?.part === 'string' && isPartName(each.part)
		);
	} catch {
		return undefined;
	}
}
