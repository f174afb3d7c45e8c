/** Attempts of one plan that are kept beside those that are pinned: as many as somebody chose. */
export const attemptCounts = [20, 50, 100, 200] as const;
export const usualCount = 50;
