import { idPattern } from '$lib/saving/kinds';

export const match = (text: string): boolean => idPattern.test(text);
