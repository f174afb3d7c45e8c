/** A course as a picture of a chosen width, and what is drawn over it. */
import type { Course } from '$core/course/course';
import { writeSvg } from '$core/course/svg/write';

/** Of paper, under what is drawn. */
const paper = '#fbf8ef';

/** Draws over a course. The context is in pixels. @param scale pixels a metre @param height pixels */
export type DrawOver = (context: CanvasRenderingContext2D, scale: number, height: number) => void;

/** @param width pixels */
export async function pictureOf(course: Course, width: number, over?: DrawOver): Promise<Blob> {
	const height = Math.max(1, Math.round((width * course.size.height) / course.size.width));
	const url = URL.createObjectURL(new Blob([writeSvg(course)], { type: 'image/svg+xml' }));
	try {
		const image = new Image(width, height);
		image.src = url;
		await image.decode();
		const canvas = Object.assign(document.createElement('canvas'), { width, height });
		const context = canvas.getContext('2d')!;
		context.fillStyle = paper;
		context.fillRect(0, 0, width, height);
		context.drawImage(image, 0, 0, width, height);
		over?.(context, width / course.size.width, height);
		return await new Promise((done, fail) =>
			canvas.toBlob((blob) => (blob ? done(blob) : fail(new Error(`${width} × ${height}`))))
		);
	} finally {
		URL.revokeObjectURL(url);
	}
}
