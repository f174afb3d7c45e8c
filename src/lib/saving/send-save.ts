/** Sends a save. It checks the answer: home loads this when it has something to send. */
import { savedSchema, type Saved } from './answers';
import type { Save } from './protocol';
import { request } from './send';

/** @throws what `request` throws */
export const sendSave = async (id: string, save: Save): Promise<Saved> =>
	savedSchema.parse(await request('PUT', `/api/documents/${id}`, save));
