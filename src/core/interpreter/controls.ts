/** Something a chain waits for before its next step. */
export interface Wait {
	/** @param time virtual seconds since Run */
	isOver(time: number): boolean;
}

/** What a step can tell a robot to do. Lengths in metres, angles in radians, times in seconds. */
export interface Controls {
	/**
	 * Goes straight and ends still.
	 * @param distance forward is positive
	 * @param speed part of the top speed, 0 to 1
	 */
	travel(distance: number, speed: number): Wait;
	/** Turns on the spot and ends still. @param angle counter-clockwise (left) is positive */
	turn(angle: number): Wait;
	/** @param colour `#rrggbb`, `#000000` is off */
	setLamp(colour: string): void;
	/** @param pitch in Hz */
	playTone(pitch: number, length: number): void;
	/** A wait for a while, counted from now. */
	pause(duration: number): Wait;
}
