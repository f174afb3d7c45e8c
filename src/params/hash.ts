/** A SHA-256, in hexadecimal digits. */
export const match = (text: string): boolean => /^[0-9a-f]{64}$/.test(text);
