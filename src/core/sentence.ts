/**
 * What the core has to say to a person: the key of a message and what goes into it. The words stand
 * in the message files; whoever shows the sentence looks them up there.
 */
export interface Sentence {
	readonly key: string;
	readonly values?: Readonly<Record<string, string | number | Word>>;
}

/** A word of ours, by the key of its message. A text never stands for one: it may be a stranger's. */
export interface Word {
	readonly message: string;
}

export const word = (message: string): Word => ({ message });

/** Something that may fail: a failure is a value with a sentence, not an exception. */
export type Result<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: Sentence };

export const success = <T>(value: T): Result<T> => ({ ok: true, value });

export const failure = (key: string, values?: Sentence['values']): Result<never> => ({
	ok: false,
	failure: { key, values }
});
