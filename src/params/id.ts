import { idSchema } from '$lib/saving/protocol';

export const match = (text: string): boolean => idSchema.safeParse(text).success;
