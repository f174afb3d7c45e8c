/**
 * Dragging tags by mouse, pen or finger. The package tells when a drag begins, moves and ends;
 * where it would land is worked out from the rows, since most of them are not drawn.
 */
import type * as dndPackage from '@dnd-kit/dom';

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

/** The package is fetched after the first view, which does without it: milliseconds. */
const later = 400;

type Package = typeof dndPackage;

const sensorOf = ({ PointerSensor, PointerActivationConstraints: { Delay, Distance } }: Package) =>
	PointerSensor.configure({
		activationConstraints: (event) =>
			event.pointerType === 'touch'
				? [new Delay({ value: hold, tolerance: 10 })]
				: [new Distance({ value: slack })]
	});

export class TagDragging {
	private manager: dndPackage.DragDropManager | undefined;
	private makeDraggable: ((id: string, element: Element) => { destroy(): void }) | undefined;
	/** Tags that are new: nobody drags them before they are seen, and what has to be quick comes first. */
	private readonly waiting = new Set<() => void>();
	private soon: ReturnType<typeof setTimeout> | undefined;
	private readonly timer: ReturnType<typeof setTimeout>;

	constructor(private readonly events: DragEvents) {
		this.timer = setTimeout(
			() => void import('@dnd-kit/dom').then((dnd) => this.begin(dnd)),
			later
		);
	}

	private begin(dnd: Package): void {
		const manager = new dnd.DragDropManager({ sensors: [sensorOf(dnd)], plugins: [] });
		const { events } = this;
		manager.monitor.addEventListener('dragstart', ({ operation }) => {
			events.began(String(operation.source?.id));
		});
		manager.monitor.addEventListener('dragmove', ({ to, operation }) => {
			const { x, y } = to ?? operation.position.current;
			events.moved(x, y);
		});
		manager.monitor.addEventListener('dragend', ({ canceled, nativeEvent }) => {
			// Moves are told once a frame: where frames are slow, a hand lets go before the last is told.
			if (nativeEvent instanceof PointerEvent)
				events.moved(nativeEvent.clientX, nativeEvent.clientY);
			events.ended(canceled);
		});
		this.manager = manager;
		this.makeDraggable = (id, element) => new dnd.Draggable({ id, element }, manager);
		this.makeAll();
	}

	private makeAll(): void {
		this.soon = undefined;
		for (const make of this.waiting) make();
		this.waiting.clear();
	}

	/** For a tag's element; `use:dragging.tag={key}`. */
	readonly tag = (element: HTMLElement, key: string) => {
		let draggable: { destroy(): void } | undefined;
		const make = () => {
			draggable?.destroy();
			draggable = this.makeDraggable!(key, element);
			element.dataset.canDrag = 'yes';
		};
		this.waiting.add(make);
		if (this.makeDraggable) this.soon ??= setTimeout(() => this.makeAll());
		return {
			update: (next: string) => {
				key = next;
				if (draggable) make();
			},
			destroy: () => {
				this.waiting.delete(make);
				draggable?.destroy();
			}
		};
	};

	destroy(): void {
		clearTimeout(this.timer);
		clearTimeout(this.soon);
		this.manager?.destroy();
	}
}
