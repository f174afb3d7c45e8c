export const levels = ['first', 'further', 'full'] as const;
/** How much the app offers. A plan may hold steps of any level. */
export type Level = (typeof levels)[number];
