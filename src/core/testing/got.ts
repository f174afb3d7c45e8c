import type { Result } from '../sentence';

/** What came out, where it has to have come out. @throws Error what was said instead */
export function got<T>(result: Result<T>): T {
	if (!result.ok) throw new Error(`${result.failure.key} ${JSON.stringify(result.failure.values)}`);
	return result.value;
}
