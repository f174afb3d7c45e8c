import { transfer } from 'comlink';
import type { Attempt } from '../core/simulation/attempt';

/** The columns of an attempt go to whoever asked, and are not copied. @param answer that holds it */
export function handOver<Answer extends object>(answer: Answer, { runs }: Attempt): Answer {
	const columns = runs.flatMap(({ trace, sensed, unread }) => {
		const { columns: own, ...pose } = trace;
		return [pose, own, sensed, unread].flatMap((each) => Object.values(each));
	});
	return transfer(
		answer,
		columns.map((column) => column.buffer as ArrayBuffer)
	);
}
