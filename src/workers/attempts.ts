/** The worker that keeps attempts on this device, packs and unpacks them, and reads them from files. */
import { expose, transfer } from 'comlink';
import type { Attempt } from '../core/simulation/attempt';
import { AttemptShelf } from './attempt-shelf';
import type { Keeping } from './attempt-store';

const shelf = new AttemptShelf();

const service = {
	keep: (keeping: Keeping, attempt: Attempt) => shelf.keep(keeping, attempt),
	takeOver: (keeping: Keeping, attempt: Attempt) => shelf.takeOver(keeping, attempt),
	list: (planId: string) => shelf.list(planId),
	mark: (id: string, marks: Parameters<AttemptShelf['mark']>[1]) => shelf.mark(id, marks),
	remove: (id: string) => shelf.remove(id),
	bringBack: (id: string) => shelf.bringBack(id),
	fileOf: (id: string) => shelf.fileOf(id),
	takeFile: (text: string, place: Parameters<AttemptShelf['takeFile']>[1]) =>
		shelf.takeFile(text, place),
	async open(id: string) {
		const opened = await shelf.open(id);
		if (!opened.ok) return opened;
		const columns = opened.value.attempt.runs.flatMap(({ trace, sensed, unread }) => {
			const { columns: own, ...pose } = trace;
			return [pose, own, sensed, unread].flatMap((each) => Object.values(each));
		});
		return transfer(
			opened,
			columns.map((column) => column.buffer as ArrayBuffer)
		);
	}
};

export type AttemptService = typeof service;

expose(service);
