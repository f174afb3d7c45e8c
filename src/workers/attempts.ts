/** The worker that keeps attempts on this device, packs and unpacks them, and reads them from files. */
import { expose } from 'comlink';
import type { Attempt } from '../core/simulation/attempt';
import { AttemptShelf } from './attempt-shelf';
import type { Keeping } from './attempt-store';
import { handOver } from './hand-over';

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
		return opened.ok ? handOver(opened, opened.value.attempt) : opened;
	}
};

export type AttemptService = typeof service;

expose(service);
