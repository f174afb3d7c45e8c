import { seedOfText } from '../random/random';
import type { Course } from './course';

/** A number by which a course is known again: another one if anything in it has changed (32 bits). */
export const markOf = (course: Course): number => seedOfText(JSON.stringify(course));
