/** What a device keeps of attempts: as much as somebody chose. */

export interface AttemptLimits {
	/** Attempts of one plan, beside those that are pinned. */
	readonly count: number;
	/** Bytes of all recordings on this device, in millions. */
	readonly megabytes: number;
}

export const attemptCounts = [20, 50, 100, 200] as const;
export const attemptRooms = [20, 50, 100, 200] as const;
export const usualLimits: AttemptLimits = { count: 50, megabytes: 20 };
