/** What TypeScript needs to know of the relay. */
import type { Server } from 'node:http';

export function relay(options: {
	readonly hosts: readonly string[];
	readonly isShared: boolean;
	readonly names: readonly string[];
}): (server: Server) => void;
