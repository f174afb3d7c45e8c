/** Pictures of lamps from files of the device, and into them. */
import type { Remote } from 'comlink';
import { largestPicture } from '$core/pictures/film';
import { pictureDocument } from '$core/pictures/picture-document';
import type { ReadPictures } from '$core/pictures/picture-file';
import { failure, success, type Result } from '$core/sentence';
import { download, downloadDocument } from '$lib/files/downloads';
import { readOnce } from '$lib/task';
import type { PictureService } from '$workers/pictures';

/** In a worker: whatever a file holds, the page goes on. */
function inWorker<T>(
	work: (service: Remote<PictureService>) => Promise<Result<T>>
): Promise<Result<T>> {
	const worker = new Worker(new URL('../../workers/pictures.ts', import.meta.url), {
		type: 'module'
	});
	return readOnce(worker, work, 'bench.fileTooLong');
}

/** @param beat seconds, by which what lasts seconds is counted */
export async function readPictures(file: File, beat: number): Promise<Result<ReadPictures>> {
	if (file.size > largestPicture)
		return failure('document.tooLarge', { bytes: file.size, maximum: largestPicture });
	const bytes = new Uint8Array(await file.arrayBuffer());
	return inWorker((service) => service.read(bytes, beat) as Promise<Result<ReadPictures>>);
}

/** @returns what was saved, or why nothing could be */
async function save(
	name: string,
	ending: 'png' | 'gif',
	write: (service: Remote<PictureService>) => Promise<Uint8Array<ArrayBuffer>>
): Promise<Result<unknown>> {
	const made = await inWorker(async (service) => success(await write(service)));
	if (made.ok) download(name, ending, new Blob([made.value], { type: `image/${ending}` }));
	return made;
}

export const savePng = (name: string, picture: string): Promise<Result<unknown>> =>
	save(name, 'png', (service) => service.png(picture) as Promise<Uint8Array<ArrayBuffer>>);

/** @param beat seconds */
export const saveGif = (name: string, film: string, beat: number): Promise<Result<unknown>> =>
	save(name, 'gif', (service) => service.gif(film, beat) as Promise<Uint8Array<ArrayBuffer>>);

export const saveFilm = (name: string, film: string): void =>
	downloadDocument(pictureDocument(name, film));
