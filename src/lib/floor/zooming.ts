/** What wheel, fingers and buttons do to the window of a floor. */
import { select } from 'd3-selection';
import { zoom, zoomIdentity, zoomTransform, type ZoomBehavior } from 'd3-zoom';

/** How far one can go away, and how near. */
const scales: [number, number] = [0.4, 12];

export class Zooming {
	private readonly behaviour: ZoomBehavior<SVGSVGElement, unknown>;

	/**
	 * @param moved is told the window as it is now: its scale, and pixels of its corner
	 * @param isMeant which mouse and finger events move the window; d3's own choice if left out
	 */
	constructor(
		private readonly svg: SVGSVGElement,
		moved: (window: { k: number; x: number; y: number }) => void,
		isMeant?: (event: MouseEvent | TouchEvent) => boolean
	) {
		this.behaviour = zoom<SVGSVGElement, unknown>()
			.scaleExtent(scales)
			.on('zoom', (event: { transform: { k: number; x: number; y: number } }) =>
				moved(event.transform)
			);
		if (isMeant) this.behaviour.filter(isMeant);
		select(svg).call(this.behaviour).on('dblclick.zoom', null);
	}

	zoomBy(factor: number): void {
		select(this.svg).call(this.behaviour.scaleBy, factor);
	}

	panBy(dx: number, dy: number): void {
		const { k } = zoomTransform(this.svg);
		select(this.svg).call(this.behaviour.translateBy, dx / k, dy / k);
	}

	fitAll(): void {
		select(this.svg).call(this.behaviour.transform, zoomIdentity);
	}

	/** Puts a point of the window as it was at first into the middle of the pane, so much larger. */
	centre(x: number, y: number, factor: number): void {
		const { clientWidth, clientHeight } = this.svg;
		const centred = zoomIdentity
			.translate(clientWidth / 2, clientHeight / 2)
			.scale(factor)
			.translate(-x, -y);
		select(this.svg).call(this.behaviour.transform, centred);
	}

	end(): void {
		select(this.svg).on('.zoom', null);
	}
}
