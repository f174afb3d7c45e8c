/** How long something took, as the benches of pages say it. @param times milliseconds */
export function percentiles(times: readonly number[]): string {
	const sorted = times.toSorted((a, b) => a - b);
	const at = (part: number) => sorted[Math.floor(sorted.length * part)]!.toFixed(1).padStart(6);
	return `median ${at(0.5)} ms   95th percentile ${at(0.95)} ms`;
}
