/** How much of what one side sends the other takes, and what may wait for whoever is slow to read. */

/** Room for so much a second on the average, and for some seconds of it at once. */
export class Allowance {
	/** @param {number} perSecond @param {number} [seconds] */
	constructor(perSecond, seconds = 1) {
		this.perSecond = perSecond;
		this.most = perSecond * seconds;
		this.room = this.most;
		this.last = Date.now();
	}

	/** @returns {boolean} whether there is room for so much more */
	takes(amount = 1) {
		const now = Date.now();
		this.room = Math.min(this.most, this.room + ((now - this.last) / 1000) * this.perSecond);
		this.last = now;
		if (this.room < amount) return false;
		this.room -= amount;
		return true;
	}
}

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
