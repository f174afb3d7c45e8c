/** Room for so much a second on the average, and for some of it at once. */
export class Allowance {
	/**
	 * @param {number} perSecond that comes back
	 * @param {number} [most] at once
	 * @param {number} [now] milliseconds since 1970
	 */
	constructor(perSecond, most = perSecond, now = Date.now()) {
		this.perSecond = perSecond;
		this.most = most;
		this.left = most;
		this.at = now;
	}

	/** @returns {number} how much there is room for */
	room(now = Date.now()) {
		return Math.min(this.most, this.left + ((now - this.at) / 1000) * this.perSecond);
	}

	/** @returns {boolean} whether there was room for so much more */
	takes(amount = 1, now = Date.now()) {
		const room = this.room(now);
		const isTaken = room >= amount;
		this.left = room - (isTaken ? amount : 0);
		this.at = now;
		return isTaken;
	}
}
