/** Who keeps attempts on this device: a worker of its own, begun at first need. */
import { wrap, type Remote } from 'comlink';
import type { AttemptService } from '$workers/attempts';

let service: Remote<AttemptService> | undefined;

export const keeper = (): Remote<AttemptService> =>
	(service ??= wrap<AttemptService>(
		new Worker(new URL('../../workers/attempts.ts', import.meta.url), { type: 'module' })
	));
