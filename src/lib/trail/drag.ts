/**
 * Dragging tags by mouse, pen or finger. The package tells when a drag begins, moves and ends;
 * where it would land is worked out from the rows, since most of them are not drawn.
 */
import {
	DragDropManager,
	Draggable,
	PointerActivationConstraints,
	PointerSensor
} from '@dnd-kit/dom';

export interface DragEvents {
	began(key: string): void;
	moved(x: number, y: number): void;
	/** @param isCancelled by Escape, or because the pointer was lost */
	ended(isCancelled: boolean): void;
}

/** A finger holds still for so long, ms, before it drags instead of scrolling. */
const hold = 220;
/** Pixels that a mouse moves before it drags instead of clicking. */
const slack = 5;

const sensor = PointerSensor.configure({
	activationConstraints: (event) =>
		event.pointerType === 'touch'
			? [new PointerActivationConstraints.Delay({ value: hold, tolerance: 10 })]
			: [new PointerActivationConstraints.Distance({ value: slack })]
});

export class TagDragging {
	private readonly manager = new DragDropManager({ sensors: [sensor], plugins: [] });

	constructor(events: DragEvents) {
		const { monitor } = this.manager;
		monitor.addEventListener('dragstart', ({ operation }) => {
			events.began(String(operation.source?.id));
		});
		monitor.addEventListener('dragmove', ({ to, operation }) => {
			const { x, y } = to ?? operation.position.current;
			events.moved(x, y);
		});
		monitor.addEventListener('dragend', ({ canceled }) => events.ended(canceled));
	}

	/** For a tag's element; `use:dragging.tag={key}`. */
	readonly tag = (element: HTMLElement, key: string) => {
		let draggable = new Draggable({ id: key, element }, this.manager);
		return {
			update: (next: string) => {
				draggable.destroy();
				draggable = new Draggable({ id: next, element }, this.manager);
			},
			destroy: () => draggable.destroy()
		};
	};

	destroy(): void {
		this.manager.destroy();
	}
}
