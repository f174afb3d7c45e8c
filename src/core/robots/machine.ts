/** A robot as it is modelled: a port for an interpreter, and what the world has to know of it. */
import type { z } from 'zod';
import type { Command, Device, Schemas } from '../devices/device';
import { atOnce, type Port, type Wait } from '../devices/port';
import type { Datum } from '../types';
import type { Body } from '../world/body';

export interface Machine extends Port {
	readonly body: Body;
	/** 1 full, 0 empty. It drains by itself; only a hand charges it. */
	battery: number;
	/** How far a person sets it down from the start mark: metres ahead and left, radians. */
	readonly placing: readonly [number, number, number];

	/** The move in progress has not got on for a while. */
	readonly isStalled: boolean;
	readonly isStill: boolean;
	/** It plays a tone. */
	readonly isPlaying: boolean;

	/** What its lamp grid shows, if it has one. */
	readonly grid?: { readonly picture: string };

	/** What a display beside the robot shows of a sensor: as `read`, with errors of its own. */
	display(reading: string): Datum;
	/** Stops whatever moves it, as when Run is over. */
	rest(): void;
	/** Stops even what it would otherwise end first, such as a take-off; as `rest`, if it has no such. */
	halt?(): void;
	/** Where it believes its front to point, radians: for what keeps count of that. */
	readonly believed?: number;
	/** Somebody tells it where its front points, radians. */
	lineUp?(heading: number): void;

	/** Moves the clock of its sensors, motors and moves on by one tick. */
	advance(time: number): void;
}

/** A device as one machine has it. */
export interface MachinePart {
	readonly device: Device;
	readonly begin: Readonly<Record<string, (values: never) => Wait | void>>;
	readonly readings: Readonly<Record<string, () => Datum>>;
}

/** @param begin for each command, what it starts; nothing to wait for when it is done at once */
export const part = <S extends Schemas>(
	device: Device<S>,
	begin: { readonly [N in keyof S & string]: (values: z.infer<S[N]>) => Wait | void },
	readings: Readonly<Record<string, () => Datum>> = {}
): MachinePart => ({ device, begin, readings });

/** The port that these parts make. */
export function assemble(parts: readonly MachinePart[]): Port {
	const handlers = Object.fromEntries(parts.map(({ device, begin }) => [device.id, begin]));
	const readers: Readonly<Record<string, () => Datum>> = Object.assign(
		{},
		...parts.map(({ readings }) => readings)
	);
	return {
		begin: ({ device, name, values }) => handlers[device]?.[name]?.(values as never) ?? atOnce,
		read: (reading) => readers[reading]?.() ?? NaN
	};
}

/** A machine that hands on what it is told and asked to the ports that its parts make. */
export abstract class Assembled implements Port {
	protected abstract readonly port: Port;
	/** With sensors of its own, for a display. */
	protected abstract readonly shown: Port;

	begin(command: Command): Wait {
		return this.port.begin(command);
	}
	read(reading: string): Datum {
		return this.port.read(reading);
	}
	display(reading: string): Datum {
		return this.shown.read(reading);
	}
}
