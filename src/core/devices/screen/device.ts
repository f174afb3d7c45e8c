/** A screen that shows a face. */
import { z } from 'zod';
import { faceSchema } from '../../pictures/schema';
import type { Device } from '../device';

const commands = { show: z.strictObject({ face: faceSchema }) };

export const screen: Device<typeof commands> = { id: 'screen', commands, readings: {} };
