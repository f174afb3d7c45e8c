/** The window of a floor on its course: zoomed and moved by wheel, fingers, keys and buttons. */
import { press } from '$lib/ui/keys';
import { panKeys, zoomKeys } from './keys';
import { scaleBar, type View } from './view';
import type { Zooming } from './zooming';

/** Pixels of a key, and by how much keys zoom. */
const keyPan = 40;
const keyZoom = 1.25;
/** Metres of room around what is looked at. */
const around = 0.25;

export class FloorWindow {
	private svg: SVGSVGElement | undefined;
	/** What hears wheel and fingers: fetched after the first view, which does without it. */
	private zooming: Promise<Zooming> | undefined;
	private moved = $state.raw({ k: 1, x: 0, y: 0 });
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
		private readonly isMeant?: (event: MouseEvent | TouchEvent) => boolean
	) {}

	/** To be attached to the drawing. */
	readonly on = (svg: SVGSVGElement) => {
		this.svg = svg;
		const zooming = import('./zooming').then(
			({ Zooming }) => new Zooming(svg, (moved) => (this.moved = moved), this.isMeant)
		);
		this.zooming = zooming;
		return () => void zooming.then((it) => it.end());
	};

	private zoom(how: (zooming: Zooming) => void): void {
		void this.zooming?.then(how);
	}

	zoomBy(factor: number): void {
		this.zoom((it) => it.zoomBy(factor));
	}
	panBy(dx: number, dy: number): void {
		this.zoom((it) => it.panBy(dx, dy));
	}
	fitAll(): void {
		this.zoom((it) => it.fitAll());
	}

	/** Shows what lies around these points of the course, with room around them. Metres. */
	showAround(points: readonly { readonly x: number; readonly y: number }[]): void {
		const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
		const [left, right] = [Math.min(...xs), Math.max(...xs)];
		const [below, above] = [Math.min(...ys), Math.max(...ys)];
		const { scale, x, y } = this.base();
		const { clientWidth, clientHeight } = this.svg!;
		const wanted = Math.min(
			clientWidth / (right - left + 2 * around),
			clientHeight / (above - below + 2 * around)
		);
		this.zoom((it) =>
			it.centre(
				x + ((left + right) / 2) * scale,
				y - ((below + above) / 2) * scale,
				Math.max(1, wanted / scale)
			)
		);
	}

	/** Where a pointer is on the course, metres. */
	toMetres({ clientX, clientY }: { clientX: number; clientY: number }): [number, number] {
		const box = this.svg!.getBoundingClientRect();
		return [(clientX - box.left - this.x) / this.scale, (this.y - clientY + box.top) / this.scale];
	}

	/** Keys that zoom. @returns whether this was one */
	zoomKey(event: KeyboardEvent): boolean {
		return press(event, zoomKeys, {
			zoom: [() => this.zoomBy(keyZoom), () => this.zoomBy(1 / keyZoom)],
			fit: () => this.fitAll()
		});
	}

	/** Keys that zoom and pan. @returns whether this was one */
	key(event: KeyboardEvent): boolean {
		const pan = (dx: number, dy: number) => () => this.panBy(dx * keyPan, dy * keyPan);
		const isPan = press(event, panKeys, { pan: [pan(0, 1), pan(0, -1), pan(1, 0), pan(-1, 0)] });
		return isPan || this.zoomKey(event);
	}
}
