/** From which height to which things reach, so that what flies passes over what stands. */
import { usualTallness, type Body } from './body';

/** Metres from the floor. */
export interface Heights {
	readonly bottom: number;
	readonly top: number;
}

export const standing = (top: number): Heights => ({ bottom: 0, top });

/** Of a body as it is now. */
export function heightsOf({ altitude = 0, tall = usualTallness }: Body): Heights {
	return { bottom: altitude, top: altitude + tall };
}

/** Whether they pass over each other. @param apart metres that have to be between them */
export const isOver = (one: Heights, other: Heights, apart = 0): boolean =>
	one.bottom >= other.top + apart || other.bottom >= one.top + apart;
