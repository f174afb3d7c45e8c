/** A recording with the microphone: how loud it is just now, how long it is, and what it has heard. */

import { longestSound } from '$core/sounds/limits';
import tape from './tape.worklet.js?url&no-inline';

/** What hears, and hands on what it has heard. */
export interface Microphone {
	/** Samples a second. */
	readonly rate: number;
	close(): void;
}

/** @param heard told each bit, as it comes @throws where there is none, or it may not be used */
export type OpenMicrophone = (heard: (bit: Float32Array) => void) => Promise<Microphone>;

export const openMicrophone: OpenMicrophone = async (heard) => {
	// Children's voices as they are: what makes speech clearer swallows bells and whistles.
	const stream = await navigator.mediaDevices.getUserMedia({
		audio: {
			channelCount: 1,
			echoCancellation: false,
			noiseSuppression: false,
			autoGainControl: false
		}
	});
	const context = new AudioContext();
	const close = () => {
		for (const track of stream.getTracks()) track.stop();
		void context.close();
	};
	try {
		await context.audioWorklet.addModule(tape);
	} catch (error) {
		close();
		throw error;
	}
	const node = new AudioWorkletNode(context, 'tape', { numberOfOutputs: 0 });
	node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => heard(data);
	context.createMediaStreamSource(stream).connect(node);
	await context.resume();
	return { rate: context.sampleRate, close };
};

export type RecorderState = 'idle' | 'asking' | 'recording';

export class Recorder {
	state = $state<RecorderState>('idle');
	/** The loudest that was heard just now, 0 to 1. */
	level = $state(0);
	seconds = $state(0);
	private bits: Float32Array[] = [];
	private heard = 0;
	private microphone: Microphone | undefined;

	/** @param recorded told what was heard when it ends, and with how many samples a second */
	constructor(
		private readonly open: OpenMicrophone,
		private readonly recorded: (voice: Float32Array, rate: number) => void,
		private readonly refused: (error: unknown) => void
	) {}

	async start(): Promise<void> {
		if (this.state !== 'idle') return;
		this.state = 'asking';
		Object.assign(this, { bits: [], heard: 0, seconds: 0, level: 0 });
		try {
			const microphone = await this.open((bit) => this.take(bit));
			// Somebody has gone away meanwhile.
			if ((this.state as RecorderState) === 'idle') return microphone.close();
			this.microphone = microphone;
			this.state = 'recording';
		} catch (error) {
			this.state = 'idle';
			this.refused(error);
		}
	}

	private take(bit: Float32Array): void {
		if (!this.microphone) return;
		this.bits.push(bit);
		this.heard += bit.length;
		this.level = bit.reduce((most, each) => Math.max(most, Math.abs(each)), 0);
		this.seconds = Math.min(longestSound, this.heard / this.microphone.rate);
		if (this.seconds >= longestSound) this.stop();
	}

	stop(): void {
		const { microphone, bits } = this;
		this.cancel();
		if (!microphone || bits.length === 0) return;
		const voice = new Float32Array(bits.reduce((sum, { length }) => sum + length, 0));
		let at = 0;
		for (const bit of bits) {
			voice.set(bit, at);
			at += bit.length;
		}
		this.recorded(voice, microphone.rate);
	}

	/** Nobody wants it any more. */
	cancel(): void {
		this.microphone?.close();
		this.microphone = undefined;
		this.state = 'idle';
		this.level = 0;
	}
}
