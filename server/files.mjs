/**
 * Stands before the built files. The app may be built anew while it is served, and a machine may run
 * out of descriptors: then a file that cannot be opened is answered, and nothing ends for it.
 */
import { access, readdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import words from './words.en.json' with { type: 'json' };

const client = new URL('../build/client/', import.meta.url);
/** Where the built files are: the names in it change with each build. */
const built = '/_app/';

const server = new URL('../build/server/', import.meta.url);

/** Loads all of the server at once, so that nothing of it is looked for later. */
export async function loadServer() {
	const files = await readdir(server, { recursive: true });
	const scripts = files.filter((file) => file.endsWith('.js'));
	await Promise.all(scripts.map((file) => import(new URL(file, server).href)));
}

/** Whether the machine has run out of descriptors. */
export const isShort = ({ code }) => code === 'EMFILE' || code === 'ENFILE';
const isGone = ({ code }) => code === 'ENOENT' || code === 'ENOTDIR';

function refuse(response, status, key) {
	response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' });
	response.end(words[key]);
}

/** @param {() => void} next answers it, if the file is there */
export async function lookFor(request, response, next) {
	// What breaks off on its way cannot be answered any more.
	response.once('pipe', (source) => source.once?.('error', () => response.destroy()));
	const pathname = URL.parse(request.url, 'http://localhost')?.pathname ?? '';
	if (!pathname.startsWith(built)) return next();
	try {
		await access(fileURLToPath(new URL(`.${pathname}`, client)));
	} catch (error) {
		return isGone(error) ? refuse(response, 404, 'fileGone') : refuse(response, 503, 'noRoom');
	}
	return next();
}
