/**
 * What a plan may use up while it runs: far more than a real plan needs, and little enough that a
 * rehearsal of two minutes is over in some ten seconds, whatever the plan.
 */

/** Steps and rounds that one chain may begin in one tick. */
export const stepsPerTick = 200;
/** Steps and rounds that all chains together may begin in one tick; they share it evenly. */
export const stepsOfAllPerTick = 20_000;
/** What a rehearsal of two minutes may cost, in steps; a longer one as much more as it is longer. */
export const stepsPerRun = 10e6;
export const secondsOfRun = 120;
/** Pieces of expressions that cost as much as a step. */
export const nodesPerStep = 4;
/** Steps that the start of a branch at the same time costs as much as. */
export const stepsPerThread = 25;

/** Routines within routines. */
export const maximumCalls = 32;
/** Chains, and branches at the same time, that run at once. */
export const maximumThreads = 1000;

/** What the reading `cruise` gives until a step sets another, as a part of the top speed. */
export const initialCruise = 0.4;
