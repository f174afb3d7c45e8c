/** Words by the browser's own recognition of speech: only while somebody has turned it on. */

/** As browsers have it; the standard names it so, some put a word before it. */
interface Recognition {
	continuous: boolean;
	interimResults: boolean;
	lang: string;
	onresult: ((event: { readonly resultIndex: number; readonly results: Results }) => void) | null;
	onerror: ((event: { readonly error: string }) => void) | null;
	onend: (() => void) | null;
	start(): void;
	abort(): void;
}
type Results = ArrayLike<ArrayLike<{ readonly transcript: string }>>;
export type MakeRecognition = new () => Recognition;

/** What this browser has of it. */
export function recognitionHere(): MakeRecognition | undefined {
	const { SpeechRecognition, webkitSpeechRecognition } = globalThis as unknown as Readonly<
		Record<string, MakeRecognition | undefined>
	>;
	return SpeechRecognition ?? webkitSpeechRecognition;
}

/** The first of the words that is in what was said, whole. */
export function wordIn(said: string, words: readonly string[]): string | undefined {
	const plain = (text: string) =>
		` ${text
			.toLowerCase()
			.replace(/[^\p{L}\p{N}]+/gu, ' ')
			.trim()} `;
	return words.find((word) => plain(said).includes(plain(word)));
}

export class Hearing {
	isOn = $state(false);
	/** What is in the way; empty when nothing is. */
	trouble = $state('');
	private recognition: Recognition | undefined;

	/** @param words that count @param heard told each of them, as it is said */
	constructor(
		private readonly make: MakeRecognition | undefined,
		private readonly words: () => readonly string[],
		private readonly heard: (word: string) => void
	) {}

	get isPossible(): boolean {
		return this.make !== undefined;
	}

	turnOn(): void {
		if (!this.make || this.isOn) return;
		this.isOn = true;
		this.trouble = '';
		const recognition = new this.make();
		this.recognition = recognition;
		Object.assign(recognition, { continuous: true, interimResults: false, lang: 'en' });
		recognition.onresult = ({ resultIndex, results }) => {
			for (let i = resultIndex; i < results.length; i++) {
				const word = wordIn(results[i]![0]!.transcript, this.words());
				if (word !== undefined) this.heard(word);
			}
		};
		recognition.onerror = ({ error }) => {
			if (error === 'no-speech') return;
			this.trouble = error;
			this.turnOff();
		};
		// It ends by itself after a silence.
		recognition.onend = () => {
			if (this.isOn) recognition.start();
		};
		recognition.start();
	}

	turnOff(): void {
		this.isOn = false;
		this.recognition?.abort();
		this.recognition = undefined;
	}
}
