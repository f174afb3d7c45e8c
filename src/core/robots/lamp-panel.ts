/** A lamp grid as a part of any robot that has one. */
import { lampGrid, type GridOrder } from '../devices/lampGrid/device';
import type { Wait } from '../devices/port';
import { newGrid, lastsFor, seen, told } from '../devices/lampGrid/shown';
import { tick } from '../time';
import { part, type MachinePart } from './machine';

export class LampPanel {
	private grid = newGrid;

	/** @param clock seconds, of the robot */
	constructor(private readonly clock: () => number) {}

	/** @see ../pictures/picture; empty while it is dark */
	get picture(): string {
		return seen(this.grid, this.clock());
	}

	/** @returns a wait until it was shown to its end, or something else is */
	private take(order: GridOrder): Wait {
		const time = this.clock();
		const own = (this.grid = told(this.grid, order, time));
		const end = time + lastsFor(order);
		return {
			isOver: () => this.grid.order !== own.order || this.clock() >= end - tick / 2
		};
	}

	get part(): MachinePart {
		return part(lampGrid, {
			show: (values) => void this.take({ name: 'show', values }),
			play: (values) => this.take({ name: 'play', values }),
			run: (values) => this.take({ name: 'run', values }),
			turn: (values) => void this.take({ name: 'turn', values }),
			brightness: (values) => void this.take({ name: 'brightness', values }),
			dark: (values) => void this.take({ name: 'dark', values })
		});
	}
}
