/** The window of a floor on its course: zoomed and moved by wheel, fingers, keys and buttons. */
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { scaleBar, type View } from './view';

/** How far one can go away, and how near. */
const scales: [number, number] = [0.4, 12];
/** Pixels of a key, and by how much keys zoom. */
const keyPan = 40;
const keyZoom = 1.25;

export class FloorWindow {
	private readonly behaviour: ZoomBehavior<SVGSVGElement, unknown>;
	private svg: SVGSVGElement | undefined;
	private moved = $state.raw(zoomIdentity);
	/** Pixels a metre. */
	readonly scale = $derived.by(() => this.base().scale * this.moved.k);
	/** Pixel of the course's south-west corner. */
	readonly x = $derived.by(() => this.base().x * this.moved.k + this.moved.x);
	readonly y = $derived.by(() => this.base().y * this.moved.k + this.moved.y);
	/** Metres of the bar that shows the scale. */
	readonly bar = $derived.by(() => scaleBar(this.scale));

	/**
	 * @param base the view on the whole course
	 * @param isMeant which mouse and finger events move the window; d3's own choice if left out
	 */
	constructor(
		private readonly base: () => View,
		isMeant?: (event: MouseEvent | TouchEvent) => boolean
	) {
		this.behaviour = zoom<SVGSVGElement, unknown>()
			.scaleExtent(scales)
			.on('zoom', (event) => (this.moved = event.transform));
		if (isMeant) this.behaviour.filter(isMeant);
	}

	/** To be attached to the drawing. */
	readonly on = (svg: SVGSVGElement) => {
		this.svg = svg;
		select(svg).call(this.behaviour).on('dblclick.zoom', null);
		return () => void select(svg).on('.zoom', null);
	};

	private get selected() {
		return select(this.svg!);
	}

	zoomBy(factor: number): void {
		this.selected.call(this.behaviour.scaleBy, factor);
	}
	panBy(dx: number, dy: number): void {
		const { k } = this.moved;
		this.selected.call(this.behaviour.translateBy, dx / k, dy / k);
	}
	fitAll(): void {
		this.selected.call(this.behaviour.transform, zoomIdentity);
	}

	/** Where a pointer is on the course, metres. */
	toMetres({ clientX, clientY }: { clientX: number; clientY: number }): [number, number] {
		const box = this.svg!.getBoundingClientRect();
		return [(clientX - box.left - this.x) / this.scale, (this.y - clientY + box.top) / this.scale];
	}

	/** Keys that zoom. @returns whether this was one */
	zoomKey(key: string): boolean {
		if (key === '+' || key === '=') this.zoomBy(keyZoom);
		else if (key === '-') this.zoomBy(1 / keyZoom);
		else if (key === '0') this.fitAll();
		else return false;
		return true;
	}

	/** Keys that zoom and pan. @returns whether this was one */
	key(key: string): boolean {
		if (key === 'ArrowLeft') this.panBy(keyPan, 0);
		else if (key === 'ArrowRight') this.panBy(-keyPan, 0);
		else if (key === 'ArrowUp') this.panBy(0, keyPan);
		else if (key === 'ArrowDown') this.panBy(0, -keyPan);
		else return this.zoomKey(key);
		return true;
	}
}
