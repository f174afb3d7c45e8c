/** A lamp grid as a part of any robot that has one: it shows what it was told last. */
import { lampGrid } from '../devices/lampGrid/device';
import { part, type MachinePart } from './machine';

export class LampPanel {
	/** @see ../pictures/picture; empty while it is dark */
	picture = '';

	get part(): MachinePart {
		return part(lampGrid, {
			show: ({ picture }) => {
				this.picture = picture;
			},
			dark: () => {
				this.picture = '';
			}
		});
	}
}
