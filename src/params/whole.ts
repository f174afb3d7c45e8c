export const match = (text: string): boolean => /^\d{1,15}$/.test(text);
