/**
 * Every change of a course is an edit: a plain value that can be sent, kept and undone. Four over
 * the table of parts, one for what is true of the whole course, and several together.
 */
import { z } from 'zod';
import { checkValue, identifierSchema } from '../../document';
import { applyTogether, historyOf, type Applied, type History } from '../../history';
import { failure, success, type Result } from '../../sentence';
import { fieldSchemas, type Course, type Part, type PartName } from '../course';
import { idOfPart, indexOf, kindOf, partNames, partsOf, withParts, type PartRef } from '../parts';
import { partKinds } from '../parts/list';

type Field = keyof typeof fieldSchemas;

type ForPart<E> = { [N in PartName]: { part: N; value: Part<N> } & E }[PartName];
type ForField = { [F in Field]: { type: 'set'; field: F; value: Course[F] } }[Field];
export type CourseEdit =
	| ForPart<{ type: 'add'; index: number }>
	| ForPart<{ type: 'change'; id: string }>
	| { type: 'remove'; part: PartName; id: string }
	| { type: 'order'; part: PartName; id: string; index: number }
	| ForField
	| { type: 'together'; edits: readonly CourseEdit[] };

export const adding = (part: PartName, index: number, value: Part): CourseEdit =>
	({ ...{ type: 'add', part, index, value } }) as CourseEdit;
export const changing = ({ part, id }: PartRef, value: object): CourseEdit =>
	({ ...{ type: 'change', part, id, value } }) as CourseEdit;
export const allOf = (edits: readonly CourseEdit[]): CourseEdit => ({ type: 'together', edits });

const index = z.int().min(0);
const partName = z.enum(partNames as [PartName, ...PartName[]]);

const ofParts = <S extends z.core.$ZodLooseShape>(type: string, shape: S) =>
	z.discriminatedUnion(
		'part',
		partNames.map((part) =>
			z.strictObject({
				type: z.literal(type),
				part: z.literal(part),
				value: kindOf(part).schema,
				...shape
			})
		) as unknown as [z.core.$ZodTypeDiscriminable]
	);
const ofFields = z.discriminatedUnion(
	'field',
	Object.entries(fieldSchemas).map(([field, value]) =>
		z.strictObject({ type: z.literal('set'), field: z.literal(field), value })
	) as unknown as [z.core.$ZodTypeDiscriminable]
);

const editSchema = z.discriminatedUnion('type', [
	ofParts('add', { index }),
	ofParts('change', { id: identifierSchema }),
	z.strictObject({ type: z.literal('remove'), part: partName, id: identifierSchema }),
	z.strictObject({ type: z.literal('order'), part: partName, id: identifierSchema, index }),
	ofFields,
	z.strictObject({
		type: z.literal('together'),
		edits: z.array(z.lazy((): z.ZodType => editSchema)).max(5000)
	})
]) as unknown as z.ZodType<CourseEdit>;

/** Deeper than the deepest part within edits within edits. */
const maximumDepth = 16;

const checkCourseEdit = (edit: unknown): Result<CourseEdit> =>
	checkValue(edit, editSchema, maximumDepth);

type AppliedToCourse = Result<Applied<Course, CourseEdit>>;

function applyCourseEdit(course: Course, edit: CourseEdit): AppliedToCourse {
	switch (edit.type) {
		case 'add':
			return add(course, edit);
		case 'change':
			return change(course, edit);
		case 'remove':
			return remove(course, edit);
		case 'order':
			return order(course, edit);
		case 'set':
			return success({
				document: { ...course, [edit.field]: edit.value },
				inverse: { type: 'set', field: edit.field, value: course[edit.field] } as CourseEdit
			});
		case 'together':
			return applyTogether(applyCourseEdit, course, edit.edits, allOf);
	}
}

const has = (parts: readonly Part[], id: string): boolean =>
	parts.some((part, index) => 'id' in part && idOfPart(part, index) === id);

function add(
	course: Course,
	{ part, index, value }: CourseEdit & { type: 'add' }
): AppliedToCourse {
	const parts = partsOf(course, part);
	const { most } = partKinds[part];
	if (index > parts.length) return failure('edit.noPartPlace', { index });
	if (parts.length >= most) return failure('edit.tooManyParts', { most });
	const id = idOfPart(value, index);
	if (has(parts, id)) return failure('edit.partTaken', { id });
	return success({
		document: withParts(course, part, parts.toSpliced(index, 0, value)),
		inverse: { type: 'remove', part, id }
	});
}

function change(
	course: Course,
	{ part, id, value }: CourseEdit & { type: 'change' }
): AppliedToCourse {
	const index = indexOf(course, { part, id });
	if (index < 0) return failure('edit.noPart', { id });
	if (idOfPart(value, index) !== id) return failure('edit.otherPart', { id });
	const parts = partsOf(course, part);
	return success({
		document: withParts(course, part, parts.with(index, value)),
		inverse: changing({ part, id }, parts[index]!)
	});
}

function remove(course: Course, { part, id }: CourseEdit & { type: 'remove' }): AppliedToCourse {
	const index = indexOf(course, { part, id });
	if (index < 0) return failure('edit.noPart', { id });
	const parts = partsOf(course, part);
	return success({
		document: withParts(course, part, parts.toSpliced(index, 1)),
		inverse: adding(part, index, parts[index]!)
	});
}

function order(
	course: Course,
	{ part, id, index: to }: CourseEdit & { type: 'order' }
): AppliedToCourse {
	const index = indexOf(course, { part, id });
	if (index < 0) return failure('edit.noPart', { id });
	const parts = partsOf(course, part);
	if (to >= parts.length) return failure('edit.noPartPlace', { index: to });
	const moved = parts.toSpliced(index, 1).toSpliced(to, 0, parts[index]!);
	// What has no id of its own is known by its place, which is another one now.
	const there = idOfPart(parts[index]!, to);
	return success({
		document: withParts(course, part, moved),
		inverse: { type: 'order', part, id: there, index }
	});
}

export const courseHistory = historyOf<Course, CourseEdit>({
	check: checkCourseEdit,
	apply: applyCourseEdit
});
export type CourseHistory = History<Course, CourseEdit>;
