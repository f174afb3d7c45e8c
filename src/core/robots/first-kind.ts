/** The kind of robot that a plan is for, if nobody says: known without loading any kind. */
export const firstKind = 'skiff';
