/** Whether two values of JSON say the same. What both share is not gone through. */
export function isAlike(one: unknown, other: unknown): boolean {
	if (one === other) return true;
	if (typeof one !== 'object' || typeof other !== 'object' || !one || !other) return false;
	const [ours, theirs] = [one, other] as Record<string, unknown>[];
	const keys = Object.keys(ours!);
	return (
		keys.length === Object.keys(theirs!).length &&
		keys.every((key) => key in theirs! && isAlike(ours![key], theirs![key]))
	);
}
