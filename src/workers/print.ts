/** The worker that writes tape plans: one of many lines takes a while. */
import { expose, transfer } from 'comlink';
import dejavu from 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf?url';
import { courseSchema } from '../core/course/course';
import { tapePlan, type PrintWish } from '../core/course/print/pdf';
import { addMessages, t } from '../lib/i18n/messages';
import words from './print.en.json';

addMessages(words);

/** Its letters are fetched only for a name that needs them. */
async function fonts(): Promise<Uint8Array[]> {
	// Without them it is printed all the same, with marks for what cannot be written.
	const answer = await fetch(dejavu).catch(() => undefined);
	return answer?.ok ? [new Uint8Array(await answer.arrayBuffer())] : [];
}

const service = {
	/** @param onProgress told which part of it is written */
	async tapePlan(
		course: unknown,
		wish: PrintWish,
		onProgress: (share: number) => void
	): Promise<Uint8Array> {
		const bytes = await tapePlan(courseSchema.parse(course), wish, t, { onProgress, fonts });
		return transfer(bytes, [bytes.buffer]);
	}
};

export type PrintService = typeof service;

expose(service);
