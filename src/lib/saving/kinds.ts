/** Kinds of documents on the server: told without what checks them. */
export const documentKinds = ['plan', 'course'] as const;
export type DocumentKind = (typeof documentKinds)[number];

/** Rows of a list that come at once, at the most. */
export const mostRows = 500;

/** Of ids on the server. */
export const idPattern = /^[A-Za-z0-9-]{1,64}$/;
