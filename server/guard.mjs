/**
 * Stands before every answer, of pages, of the interface for data and of static files alike: sets the
 * headers that keep strangers' pages out, looks whether the address is one of ours, and whether a
 * write comes from a page of ours.
 */
import { hostname, networkInterfaces } from 'node:os';
import words from './words.en.json' with { type: 'json' };

/**
 * For all that is no page. Pages bring a stricter one of their own, which takes the place of this;
 * a worker lives by the one that its script came with.
 */
const contentSecurityPolicy =
	"default-src 'none'; script-src 'self'; connect-src 'self'; base-uri 'none'; frame-ancestors 'none'";

const headers = {
	'content-security-policy': contentSecurityPolicy,
	'x-content-type-options': 'nosniff',
	'referrer-policy': 'same-origin',
	'permissions-policy':
		'camera=(), microphone=(self), geolocation=(), payment=(), usb=(), display-capture=()',
	'cross-origin-opener-policy': 'same-origin',
	'cross-origin-resource-policy': 'same-origin'
};

const loopback = ['localhost', '127.0.0.1', '[::1]'];

/** Addresses of this machine in the networks it is in at this moment. */
export const ownAddresses = () =>
	Object.values(networkInterfaces())
		.flat()
		.filter(({ internal, scopeid }) => !internal && !scopeid)
		.map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address));

/** @returns {string} the name or address in a Host header, without its port, in small letters */
const nameIn = (host) => host.replace(/:\d*$/, '').replace(/\.$/, '').toLowerCase();

/**
 * @param {{ isShared: boolean, names: readonly string[] }} options whether other machines may come,
 * and by which names this one is known to them
 */
export function isOurs(host, { isShared, names }) {
	const name = nameIn(host);
	if (loopback.includes(name) || names.includes(name)) return true;
	if (!isShared) return false;
	const own = hostname().toLowerCase();
	return name === own || name === `${own}.local` || ownAddresses().includes(name);
}

const harmless = ['GET', 'HEAD', 'OPTIONS'];

/**
 * A page of somebody else's can send neither our origin nor, without being asked first, JSON.
 * @returns {keyof typeof words | undefined} what is wrong with a write
 */
function faultOf({ method, headers: sent }) {
	if (harmless.includes(method)) return undefined;
	const { origin, host } = sent;
	if (origin !== undefined && !isSameHost(origin, host)) return 'otherOrigin';
	if (origin === undefined && !['same-origin', 'none', undefined].includes(sent['sec-fetch-site']))
		return 'otherOrigin';
	return /^application\/json\b/i.test(sent['content-type'] ?? '') ? undefined : 'notJson';
}

export function isSameHost(origin, host) {
	try {
		return new URL(origin).host === host.toLowerCase();
	} catch {
		return false;
	}
}

const statuses = { otherHost: 421, otherOrigin: 403, notJson: 415, badAddress: 400 };

export function guard(options) {
	return (request, response, next) => {
		for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
		const { host = '' } = request.headers;
		const fault = !isOurs(host, options)
			? 'otherHost'
			: isReadable(request.url)
				? faultOf(request)
				: 'badAddress';
		if (!fault) return next();
		const message = words[fault].replaceAll('{host}', nameIn(host).slice(0, 80));
		response.writeHead(statuses[fault], { 'content-type': 'application/json' });
		response.end(JSON.stringify({ message }));
	};
}

/** Whether an address can be decoded, and holds no NUL. */
function isReadable(url) {
	try {
		return url.startsWith('/') && !decodeURIComponent(url).includes('\0');
	} catch {
		return false;
	}
}
