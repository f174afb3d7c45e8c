/** What TypeScript needs to know of the guard. */
export function isOurs(
	host: string,
	options: { readonly isShared: boolean; readonly names: readonly string[] }
): boolean;
export function isSameHost(origin: string, host: string): boolean;
