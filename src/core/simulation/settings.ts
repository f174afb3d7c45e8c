/** Constants of the simulation, each with its unit and its reason. */
import { tickRate } from '../time';

/**
 * Of the model: rises with whatever changes an attempt's numbers for the same input, since attempts
 * are kept as their inputs. tests/pins holds what this version gives.
 */
export const modelVersion = 9;

/** Seconds for which every tick is kept in the trace. */
export const fullTraceSeconds = 60;
/** After that, one in so many ticks is kept: 10 samples a second. */
export const thinning = 12;

/** Ticks from one figure of a display to the next: 10 a second, as fast as a person reads. */
export const displayTicks = 12;

/** Ticks between two places of a trial's path: 20 places a second. */
export const pathTicks = 6;

/** Ticks from one word of progress to the next: one each second of virtual time. */
export const progressTicks = tickRate;

/** Seconds of virtual time after which a rehearsal ends, if nobody says otherwise. */
export const defaultLimit = 120;
/** The longest that may be asked for: an hour. */
export const maximumLimit = 3600;

/** Seconds without touching after which the next touch is a new bump. */
export const bumpPause = 0.25;
/** Seconds for which a bump, and a hand's touch, can be read after they began. */
export const bumpHold = 0.1;
export const touchHold = 0.3;
/** Seconds for which a plan that only hands start stays open to them, after all that ran is over. */
export const handPatience = 20;
/**
 * Records kept at most: of one step's rounds that took no time, and of all steps. A loop could make
 * millions, and one busy step shall not hide the others.
 */
export const maximumInstants = 100;
export const maximumSpans = 60_000;
/** Touches that an attempt has at most. */
export const maximumTouches = 200;
/** Lines of the log, and tones, kept at most. */
export const maximumLogged = 2000;
export const maximumTones = 20_000;
/** Remarks about steps kept at most. */
export const maximumNotes = 200;
/**
 * Pairs of things that may touch each other, on an average tick: a robot among fifty crates has some
 * thirty. More, and the rehearsal would take minutes.
 */
export const contactsPerTick = 40;

/** Legs of a robot that one trial tells of: what one looks at many of has to be small. */
export const maximumTrialLegs = 200;
