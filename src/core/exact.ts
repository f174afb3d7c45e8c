/**
 * Elementary functions that give the same bits on every machine. The language leaves `Math.sin` and
 * its like to the engine, and engines differ in the last place, so that a seed would mean another
 * run in another browser. These are made of what IEEE 754 fixes alone: + - * / and the square root.
 *
 * Source of methods and constants: the freely distributable mathematical library fdlibm 5.3 (Sun
 * Microsystems, 1993). Errors are at most two units in the last place, for angles up to a million
 * radians.
 */

const { abs, floor, round, sqrt } = Math;

// --- angles ---

/** π / 2 in two parts; the first has 33 bits, so that it can be multiplied by a count exactly. */
const quarterHigh = 1.57079632673412561417;
const quarterLow = 6.07710050650619224932e-11;
const quartersInTurn = 2 / Math.PI;
/** Radians up to which counts of quarters are small enough for that. */
const farthest = 1e6;
const turn = 2 * Math.PI;

/** Sine of an angle from -π/4 to π/4, whose last bits are in `low`. */
function sinNear(x: number, low: number): number {
	const z = x * x;
	const r =
		8.33333333332248946124e-3 +
		z *
			(-1.98412698298579493134e-4 +
				z *
					(2.75573137070700676789e-6 +
						z * (-2.50507602534068634195e-8 + z * 1.58969099521155010221e-10)));
	const cube = z * x;
	return x - (z * (0.5 * low - cube * r) - low - cube * -1.66666666666666324348e-1);
}

function cosNear(x: number, low: number): number {
	const z = x * x;
	const r =
		z *
		(4.16666666666666019037e-2 +
			z *
				(-1.38888888888741095749e-3 +
					z *
						(2.48015872894767294178e-5 +
							z *
								(-2.75573143513906633035e-7 +
									z * (2.0875723212981748279e-9 + z * -1.13596475577881948265e-11)))));
	const half = 0.5 * z;
	const most = 1 - half;
	return most + (1 - most - half + (z * r - x * low));
}

/** The sine and the cosine of one angle, worked out together: for what has to be fast. */
export class Direction {
	sin = 0;
	cos = 1;

	/** @param angle radians */
	turnTo(angle: number): void {
		const near = abs(angle) <= farthest ? angle : angle % turn;
		const count = round(near * quartersInTurn);
		const most = near - count * quarterHigh;
		const rest = count * quarterLow;
		const x = most - rest;
		const low = most - x - rest;
		const sin = sinNear(x, low);
		const cos = cosNear(x, low);
		const isOdd = (count & 1) !== 0;
		this.sin = (count & 2) === 0 ? (isOdd ? cos : sin) : isOdd ? -cos : -sin;
		this.cos = ((count + 1) & 2) === 0 ? (isOdd ? sin : cos) : isOdd ? -sin : -cos;
	}
}

const direction = new Direction();

/** @param angle radians */
export function sin(angle: number): number {
	direction.turnTo(angle);
	return direction.sin;
}
/** @param angle radians */
export function cos(angle: number): number {
	direction.turnTo(angle);
	return direction.cos;
}
/** @param angle radians */
export const tan = (angle: number): number => sin(angle) / cos(angle);

/** Arc tangents of 1/2, 1, 3/2 and infinity, each in two parts. */
const bases = [
	[4.63647609000806093515e-1, 2.26987774529616870924e-17],
	[7.85398163397448278999e-1, 3.06161699786838301793e-17],
	[9.82793723247329054082e-1, 1.39033110312309984516e-17],
	[1.570796326794896558, 6.12323399573676603587e-17]
] as const;

/** @returns radians, -π/2 to π/2 */
export function atan(value: number): number {
	const size = abs(value);
	if (!(size < 1e20)) return Number.isNaN(value) ? NaN : value < 0 ? -Math.PI / 2 : Math.PI / 2;
	let x = size;
	let base: (typeof bases)[number] | undefined;
	if (size >= 39 / 16) {
		base = bases[3];
		x = -1 / size;
	} else if (size >= 19 / 16) {
		base = bases[2];
		x = (size - 1.5) / (1 + 1.5 * size);
	} else if (size >= 11 / 16) {
		base = bases[1];
		x = (size - 1) / (size + 1);
	} else if (size >= 7 / 16) {
		base = bases[0];
		x = (2 * size - 1) / (2 + size);
	}
	const z = x * x;
	const w = z * z;
	const even =
		z *
		(3.33333333333329318027e-1 +
			w *
				(1.42857142725034663711e-1 +
					w *
						(9.09088713343650656196e-2 +
							w *
								(6.66107313738753120669e-2 +
									w * (4.97687799461593236017e-2 + w * 1.62858201153657823623e-2)))));
	const odd =
		w *
		(-1.99999999998764832476e-1 +
			w *
				(-1.1111110405462355788e-1 +
					w *
						(-7.69187620504482999495e-2 +
							w * (-5.83357013379057348645e-2 + w * -3.6531572744216915527e-2))));
	const turned = x * (even + odd);
	const result = base ? base[0] - (turned - base[1] - x) : x - turned;
	return value < 0 ? -result : result;
}

/** @returns radians, -π to π */
export function atan2(y: number, x: number): number {
	if (y === 0) return x > 0 || Object.is(x, 0) ? y : Object.is(y, -0) ? -Math.PI : Math.PI;
	if (x === 0) return y > 0 ? Math.PI / 2 : -Math.PI / 2;
	const right = atan(y / x);
	if (x > 0) return right;
	return y > 0 ? right + Math.PI : right - Math.PI;
}

/** NaN beyond -1 to 1. @returns radians, 0 to π */
export const acos = (x: number): number => atan2(sqrt((1 - x) * (1 + x)), x);
/** NaN beyond -1 to 1. @returns radians, -π/2 to π/2 */
export const asin = (x: number): number => atan2(x, sqrt((1 - x) * (1 + x)));

// --- powers ---

const ln2High = 6.9314718036912381649e-1;
const ln2Low = 1.90821492927058770002e-10;

/** A number multiplied with itself, or divided by itself, so many times. */
function multiplied(base: number, times: number): number {
	let result = 1;
	let factor = base;
	for (let left = abs(times); left > 0; left = floor(left / 2)) {
		if (left % 2 === 1) result *= factor;
		factor *= factor;
	}
	return times < 0 ? 1 / result : result;
}

/** e to the power of x. */
export function exp(x: number): number {
	if (!(abs(x) <= 746)) return Number.isNaN(x) ? NaN : x > 0 ? Infinity : 0;
	const count = round(x / Math.LN2);
	const high = x - count * ln2High;
	const low = count * ln2Low;
	const near = high - low;
	const t = near * near;
	const c =
		near -
		t *
			(1.66666666666666019037e-1 +
				t *
					(-2.77777777770155933842e-3 +
						t *
							(6.61375632143793436117e-5 +
								t * (-1.6533902205465251539e-6 + t * 4.13813679705723846039e-8))));
	const result = 1 - (low - (near * c) / (2 - c) - high);
	// Half of the way each time, since the whole may be beyond what a number can hold.
	const half = floor(count / 2);
	return result * multiplied(2, half) * multiplied(2, count - half);
}

/** Smaller numbers than this have fewer bits. */
const smallestWhole = 2.2250738585072014e-308;
const bits = new DataView(new ArrayBuffer(8));

/** The natural logarithm. */
export function ln(x: number): number {
	if (!(x > 0 && x < Infinity)) return x === 0 ? -Infinity : x === Infinity ? Infinity : NaN;
	if (x < smallestWhole) return ln(x * 0x40000000000000) - 54 * Math.LN2;
	bits.setFloat64(0, x);
	let power = (bits.getUint32(0) >>> 20) - 1023;
	bits.setUint32(0, (bits.getUint32(0) & 0xfffff) | 0x3ff00000);
	let part = bits.getFloat64(0);
	if (part > Math.SQRT2) {
		part /= 2;
		power += 1;
	}
	const f = part - 1;
	const s = f / (2 + f);
	const z = s * s;
	const r =
		z *
		(6.66666666666673513e-1 +
			z *
				(3.999999999940941908e-1 +
					z *
						(2.857142874366239149e-1 +
							z *
								(2.222219843214978396e-1 +
									z *
										(1.818357216161805012e-1 +
											z * (1.531383769920937332e-1 + z * 1.479819860511658591e-1))))));
	const half = 0.5 * f * f;
	return power * ln2High - (half - (s * (half + r) + power * ln2Low) - f);
}

/** Powers up to which a whole number is multiplied out. */
const mostFactors = 1024;

/** A number to the power of another; NaN where that is no real number. */
export function raised(base: number, exponent: number): number {
	if (Number.isInteger(exponent) && abs(exponent) <= mostFactors) return multiplied(base, exponent);
	if (exponent === 0.5) return sqrt(base);
	if (base === 0) return exponent > 0 ? 0 : Infinity;
	if (base < 0 && Number.isInteger(exponent)) {
		const size = exp(exponent * ln(-base));
		return exponent % 2 === 0 ? size : -size;
	}
	return exp(exponent * ln(base));
}

/** The length of the vector (x, y). */
export const lengthOf = (x: number, y: number): number => sqrt(x * x + y * y);
