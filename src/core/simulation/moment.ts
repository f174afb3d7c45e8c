/** Index of the last of these ascending times that is not after `time`; 0 before the first. */
export function indexAt(times: Float64Array, time: number): number {
	let low = 0;
	let high = times.length - 1;
	while (low < high) {
		const middle = (low + high + 1) >> 1;
		if (times[middle]! <= time) low = middle;
		else high = middle - 1;
	}
	return low;
}
