/** Makes what goes over a socket as late, and as unsteady, as it is over the air of a classroom. */

export interface Air {
	/** Milliseconds. */
	readonly latency: number;
	readonly jitter: number;
	/** Part of the messages that have to be sent again. */
	readonly loss: number;
}

/** Milliseconds until a message that was lost is sent again. */
const again = 200;

/** @returns a function that hands each message on when it has come through, in order */
export function through<Message>(
	{ latency, jitter, loss }: Air,
	arrived: (message: Message) => void
): (message: Message) => void {
	if (latency + jitter + loss === 0) return arrived;
	let last = 0;
	return (message) => {
		const lost = Math.random() < loss ? again : 0;
		const at = Date.now() + latency + Math.random() * jitter + lost;
		last = Math.max(last, at);
		setTimeout(() => arrived(message), last - Date.now());
	};
}
