/** Savers of this page that have something left to send, or may get it, by their document. */
export const living = new Map<string, { retire(): void }>();
