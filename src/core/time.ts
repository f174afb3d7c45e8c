/** Virtual time goes in ticks. */

/** Ticks a second: a robot of 0.5 m/s moves 4 mm in one, less than a wall is thick. */
export const tickRate = 120;
/** Seconds. */
export const tick = 1 / tickRate;
