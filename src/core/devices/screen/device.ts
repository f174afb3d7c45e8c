/** A screen that shows a face. */
import { z } from 'zod';
import type { Device } from '../device';

/** In the order in which a recording counts them, from 0. */
export const faces = ['calm', 'glad', 'sleepy', 'startled', 'lantern'] as const;
export type Face = (typeof faces)[number];

const commands = { show: z.strictObject({ face: z.enum(faces) }) };

export const screen: Device<typeof commands> = { id: 'screen', commands, readings: {} };
