/** A press that is held speaks what it is on, and then does nothing else: for those who do not read yet. */
import { language } from '$lib/i18n';

/** Milliseconds of holding, and pixels by which a finger that holds may move. */
const holds = 450;
const steady = 10;

export class Held {
	/** The press that is over was held: it was for listening. */
	wasHeld = false;
	private timer: ReturnType<typeof setTimeout> | undefined;
	private from: { x: number; y: number } | undefined;

	/** @param speak says it aloud */
	constructor(private readonly speak: (words: string) => void = sayAloud) {}

	down(words: string): void {
		this.wasHeld = false;
		this.from = undefined;
		clearTimeout(this.timer);
		this.timer = setTimeout(() => {
			this.wasHeld = true;
			this.speak(words);
		}, holds);
	}

	/** What moves away is dragged, not held. */
	move({ clientX: x, clientY: y }: { clientX: number; clientY: number }): void {
		this.from ??= { x, y };
		if (Math.hypot(x - this.from.x, y - this.from.y) > steady) this.up();
	}

	up(): void {
		clearTimeout(this.timer);
	}
}

/** Some browsers cannot speak: then nothing is heard. */
function sayAloud(words: string): void {
	if (!('speechSynthesis' in globalThis)) return;
	const said = new SpeechSynthesisUtterance(words);
	said.lang = language;
	speechSynthesis.cancel();
	speechSynthesis.speak(said);
}
