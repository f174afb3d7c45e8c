/**
 * Helpers that show a learner what went wrong, and what would mend it. Each can be switched off, for a
 * plan or for a course: finding out is the lesson.
 */
import { z } from 'zod';

export const helpers = [
	'intended',
	'legs',
	'reasons',
	'mends',
	'nudge',
	'spread',
	'advice',
	'model'
] as const;
export type Helper = (typeof helpers)[number];

export const helpersOffSchema = z
	.array(z.enum(helpers))
	.max(helpers.length)
	.describe('Helpers that are switched off: finding out is the lesson.');

/** Of a plan and its course: what either switches off. */
export const helpersOffIn = (
	...all: readonly { readonly helpersOff?: readonly Helper[] | undefined }[]
): Helper[] => helpers.filter((each) => all.some((one) => one.helpersOff?.includes(each)));

/** In the order in which they are told. */
export const switched = (off: readonly Helper[], helper: Helper, isOn: boolean): Helper[] =>
	helpers.filter((each) => (each === helper ? !isOn : off.includes(each)));
