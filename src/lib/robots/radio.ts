/** The worker that talks to robots, started on first need, and what it tells. */
import { proxy, wrap, type Remote } from 'comlink';
import type { LiveService, Watcher } from '$workers/live';

let service: Remote<LiveService> | undefined;

/** @param events told what happens on all links; those of whoever starts it first */
export function radio(events: Watcher): Remote<LiveService> {
	if (service) return service;
	const worker = new Worker(new URL('../../workers/live.ts', import.meta.url), { type: 'module' });
	service = wrap<LiveService>(worker);
	const link = new URL('/link', location.href);
	link.protocol = location.protocol === 'https:' ? 'wss:' : 'ws:';
	void service.open(link.href, proxy(events));
	return service;
}
