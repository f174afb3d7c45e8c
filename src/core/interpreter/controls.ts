import type { Datum } from '../expressions/types';
import type { Reading } from '../expressions/vocabulary';

/** Something a chain waits for before its next step. */
export interface Wait {
	/** @param time virtual seconds since Run */
	isOver(time: number): boolean;
}

/** One tone: Hz and seconds; pitch 0 is a rest. */
export interface PlayedNote {
	readonly pitch: number;
	readonly length: number;
}

/**
 * What a step can tell a robot to do. Lengths in metres, angles in radians, times in seconds, speeds
 * as a part of the top speed.
 */
export interface Controls {
	/** Metres that one turn of a wheel makes, and between the wheels, as the firmware believes. */
	readonly wheelCircumference: number;
	readonly axle: number;
	/** m/s that speed 1 means. */
	readonly topSpeed: number;

	/**
	 * Rolls each wheel so far by its counter and ends still; the wheel with the shorter way runs
	 * slower, so that both arrive together.
	 * @param speed of the wheel with the longer way, -1 to 1; less than 0 goes the other way
	 */
	travel(left: number, right: number, speed: number): Wait;
	/** Turns on the spot and ends still. @param angle counter-clockwise (left) is positive */
	turn(angle: number): Wait;
	/** Turns on the spot, the shorter way. @param bearing degrees clockwise from north */
	turnTo(bearing: number): Wait;
	/** Lets the wheels run until told otherwise, without counting. @param left, right -1 to 1 */
	drive(left: number, right: number): void;
	/** Begins to stop: by braking, or by rolling out. */
	stop(isCoasting: boolean): void;
	untilStill(): Wait;
	/** One motor until told otherwise. @param port A to D */
	setMotor(port: string, power: number): void;
	/** Which ports the moves use for the left and for the right wheel. */
	setDrivePorts(left: string, right: string): void;
	/** The speed that the reading `cruise` gives. */
	setCruise(speed: number): void;

	/**
	 * @param side both, left or right
	 * @param colour `#rrggbb`
	 * @param period seconds of one blink, on and off; left out for a steady light
	 */
	setLamp(side: string, colour: string, brightness: number, period?: number): void;
	/** Plays one tone after the other, in place of what is playing. */
	play(notes: readonly PlayedNote[]): Wait;
	setVolume(level: number): void;
	silence(): void;

	/** A wait for a while, counted from now. */
	pause(duration: number): Wait;
	/** What a sensor says now, in the units of documents. */
	read(reading: Reading): Datum;
	/** Counts from here: travelled, wheels or heading. */
	zero(what: string): void;
}
