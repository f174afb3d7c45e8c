/** What may wait for whoever is slow to read. */

/** Bytes that may wait to be read before no more is taken from the other side, and milliseconds. */
const mostWaiting = 64 * 1024;
const longestWait = 5000;

/** Hands messages to a socket, no faster than whoever is at its other end reads them. */
export class Outlet {
	/** When each message that waits was handed over, oldest first. */
	waiting = [];

	/**
	 * @param {import('ws').WebSocket} socket
	 * @param {import('ws').WebSocket} [source] of all that goes there: it waits meanwhile
	 */
	constructor(socket, source) {
		this.socket = socket;
		this.source = source;
	}

	get isFull() {
		return this.socket.bufferedAmount > mostWaiting;
	}

	/** Whoever is there has not read for so long that nothing more is kept for them. */
	get isStuck() {
		return this.waiting.length > 0 && Date.now() - this.waiting[0] > longestWait;
	}

	send(data) {
		this.waiting.push(Date.now());
		this.socket.send(data, { binary: false }, () => {
			this.waiting.shift();
			if (!this.isFull) this.source?.resume();
		});
		if (this.isFull) this.source?.pause();
	}
}
