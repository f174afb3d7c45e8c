/** Hands on what the microphone hears, as it comes: runs where the browser makes sound. */
registerProcessor(
	'tape',
	class extends AudioWorkletProcessor {
		process([[voice]]) {
			if (voice) this.port.postMessage(voice.slice());
			return true;
		}
	}
);
