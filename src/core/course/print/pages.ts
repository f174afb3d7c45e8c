/** How large a tape plan gets, told before it is written. */
import type { Course } from '../course';
import { planLines } from './lines';
import { margin, papers, pt, rowHeight, sheetsOf, type Paper } from './sheets';

/** Rows of a table on a page of this height, millimetres. */
const rowsOn = (height: number): number =>
	Math.floor(((height - 2 * margin - 6) * pt - 16) / rowHeight);

/** About how many pages it takes. @param sheetScale also over several sheets, at this scale */
export function pagesOf(
	course: Course,
	{ paper, sheetScale }: { readonly paper: Paper; readonly sheetScale?: number | undefined }
): number {
	const [short, long] = papers[paper];
	const isWide = course.size.width > course.size.height;
	const sheets = sheetScale ? sheetsOf(course, paper, sheetScale).count : 0;
	const lists = Math.ceil(planLines(course).length / rowsOn(isWide ? short : long));
	return 1 + lists + sheets;
}
