/** The worker that reads pictures from files, and writes them. */
import { expose } from 'comlink';
import { readFilm } from '../core/pictures/film';
import { gifOf } from '../core/pictures/gif';
import { readPicture } from '../core/pictures/picture';
import { readPictureFile } from '../core/pictures/picture-file';
import { pngOf } from '../core/pictures/png';

const service = {
	read: readPictureFile,
	png: (picture: string): Uint8Array => pngOf(readPicture(picture)!),
	gif: (film: string, beat: number): Uint8Array => gifOf(readFilm(film)!, beat)
};

export type PictureService = typeof service;

expose(service);
