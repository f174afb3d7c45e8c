/** How long it takes to say something: about 150 words a minute, as people read aloud. */

/** Seconds before and behind, and for each letter. */
const around = 0.4;
const ofLetter = 0.065;

/** Letters that are said at most. */
export const longestSaid = 200;

export const speechSeconds = (text: string): number => around + ofLetter * text.length;
