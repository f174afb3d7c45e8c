/** Drawings of general drawing programs come in as they are meant. */
import { describe, expect, it } from 'vitest';
import { got } from '../../testing/got';
import { distanceTo, type Point } from '../measure';
import { RailPath } from '../rails';
import { readDrawing, type VectorDrawing } from './shapes';
import { colourOf, firstStyle } from './style';
import { courseOfGroups, groupsOf, nearestColour } from './take';

const drawing = (
	body: string,
	head = 'width="100mm" height="100mm" viewBox="0 0 100 100"'
): VectorDrawing =>
	got(readDrawing(`<svg xmlns="http://www.w3.org/2000/svg" ${head}>${body}</svg>`));

/** Millimetres from the top left, as the drawings state them. */
const stated = (shape: readonly Point[], height = 100): Point[] =>
	shape.map(([x, y]) => [x * 1000, height - y * 1000]);
/** The farthest that one line is from the other, millimetres. */
function apart(one: readonly Point[], other: readonly Point[], isClosed: boolean): number {
	const line = isClosed ? [...other, other[0]!] : other;
	return Math.max(
		...one.map((point) =>
			Math.min(...line.slice(1).map((to, i) => distanceTo(point, line[i]!, to)))
		)
	);
}
const square: Point[] = [
	[10, 10],
	[30, 10],
	[30, 30],
	[10, 30]
];
const circle = (cx: number, cy: number, r: number): Point[] =>
	Array.from({ length: 360 }, (_, i) => [
		cx + r * Math.cos((i * Math.PI) / 180),
		cy + r * Math.sin((i * Math.PI) / 180)
	]);
const arc = (cx: number, cy: number, r: number, from: number, to: number): Point[] =>
	Array.from({ length: 61 }, (_, i) => {
		const angle = ((from + ((to - from) * i) / 60) * Math.PI) / 180;
		return [cx + r * Math.cos(angle), cy + r * Math.sin(angle)];
	});
const bezier = (a: Point, b: Point, c: Point, d: Point): Point[] =>
	Array.from({ length: 101 }, (_, i) => {
		const t = i / 100;
		const u = 1 - t;
		const mix = (k: 0 | 1) =>
			u ** 3 * a[k] + 3 * u * u * t * b[k] + 3 * u * t * t * c[k] + t ** 3 * d[k];
		return [mix(0), mix(1)];
	});
const red = 'stroke="red" fill="none"';
const mmHead = 'width="100mm" height="100mm" viewBox="0 0 100 100"';
const rect = (x: number, y: number, width: number, height: number): string =>
	`<rect x="${x}" y="${y}" width="${width}" height="${height}" ${red}/>`;

/** Drawings as general drawing programs write them, and the geometry that they mean, if it is not the square. */
const drawings: readonly (readonly [
	name: string,
	head: string,
	body: string,
	meant?: readonly Point[]
])[] = [
	[
		'a line',
		mmHead,
		`<line x1="10" y1="20" x2="60" y2="20" ${red}/>`,
		[
			[10, 20],
			[60, 20]
		]
	],
	['a polyline', mmHead, `<polyline points="10,10 30,10 30,30 10,30" ${red}/>`, square],
	['a polygon with commas only', mmHead, `<polygon points="10,10,30,10,30,30,10,30" ${red}/>`],
	['a rectangle', mmHead, rect(10, 10, 20, 20), square],
	['a circle', mmHead, `<circle cx="50" cy="50" r="20" ${red}/>`, circle(50, 50, 20)],
	[
		'an ellipse that is a circle',
		mmHead,
		`<ellipse cx="50" cy="50" rx="20" ry="20" ${red}/>`,
		circle(50, 50, 20)
	],
	['a path, absolute', mmHead, `<path d="M10 10H30V30H10Z" ${red}/>`, square],
	['a path, relative and tight', mmHead, `<path d="m10 10h20v20h-20z" ${red}/>`, square],
	['a path of line steps', mmHead, `<path d="m10,10 20,0 0,20 -20,0 z" ${red}/>`, square],
	['an arc', mmHead, `<path d="M70 50A20 20 0 0 1 50 70" ${red}/>`, arc(50, 50, 20, 0, 90)],
	['a large arc', mmHead, `<path d="M70 50A20 20 0 1 1 50 30" ${red}/>`, arc(50, 50, 20, 0, 270)],
	[
		'an arc the other way, flags together',
		mmHead,
		`<path d="M70 50A20 20 0 0050 30" ${red}/>`,
		arc(50, 50, 20, 0, -90)
	],
	[
		'a cubic',
		mmHead,
		`<path d="M10 90C10 10 90 10 90 90" ${red}/>`,
		bezier([10, 90], [10, 10], [90, 10], [90, 90])
	],
	[
		'a smooth cubic',
		mmHead,
		`<path d="M10 50C10 30 30 30 30 50S50 70 50 50" ${red}/>`,
		[
			...bezier([10, 50], [10, 30], [30, 30], [30, 50]),
			...bezier([30, 50], [30, 70], [50, 70], [50, 50])
		]
	],
	[
		'a quadratic',
		mmHead,
		`<path d="M10 90Q50 10 90 90" ${red}/>`,
		bezier([10, 90], [10 + 80 / 3, 90 - 160 / 3], [90 - 80 / 3, 90 - 160 / 3], [90, 90])
	],
	[
		'a smooth quadratic',
		mmHead,
		`<path d="M10 50Q20 30 30 50T50 50" ${red}/>`,
		[
			...bezier([10, 50], [10 + 20 / 3, 50 - 40 / 3], [30 - 20 / 3, 50 - 40 / 3], [30, 50]),
			...bezier([30, 50], [30 + 20 / 3, 50 + 40 / 3], [50 - 20 / 3, 50 + 40 / 3], [50, 50])
		]
	],
	['numbers with exponents', mmHead, `<path d="M1e1 1.0e1H3E1V.3e2H10z" ${red}/>`, square],
	['translate', mmHead, `<g transform="translate(5,5)">${rect(5, 5, 20, 20)}</g>`],
	['scale', mmHead, `<g transform="scale(2)">${rect(5, 5, 10, 10)}</g>`],
	[
		'rotate about a point',
		mmHead,
		`<rect transform="rotate(90 20 20)" x="10" y="10" width="20" height="20" ${red}/>`
	],
	[
		'nested transforms',
		mmHead,
		`<g transform="translate(10 10)"><g transform="scale(2)"><g transform="rotate(90)"><path d="M0 0V-10H10V0Z" ${red}/></g></g></g>`
	],
	[
		'a list of transforms',
		mmHead,
		`<rect transform="translate(10,10) scale(2, 2)" width="10" height="10" ${red}/>`
	],
	['a matrix', mmHead, `<rect transform="matrix(2 0 0 2 10 10)" width="10" height="10" ${red}/>`],
	[
		'skew there and back',
		mmHead,
		`<g transform="skewX(30)"><rect transform="skewX(-30)" x="10" y="10" width="20" height="20" ${red}/></g>`
	],
	['a mirror', mmHead, `<g transform="scale(-1 1) translate(-40 0)">${rect(10, 10, 20, 20)}</g>`],
	['centimetres', 'width="10cm" height="10cm" viewBox="0 0 100 100"', rect(10, 10, 20, 20)],
	['inches', 'width="3.937008in" height="3.937008in" viewBox="0 0 100 100"', rect(10, 10, 20, 20)],
	[
		'points',
		'width="283.46457pt" height="283.46457pt" viewBox="0 0 283.46457 283.46457"',
		rect(28.346457, 28.346457, 56.692913, 56.692913)
	],
	[
		'pixels alone',
		'width="377.95276" height="377.95276"',
		rect(37.795276, 37.795276, 75.590551, 75.590551)
	],
	[
		'a viewBox alone',
		'viewBox="0 0 377.95276 377.95276"',
		rect(37.795276, 37.795276, 75.590551, 75.590551)
	],
	[
		'units on an element',
		'width="100mm" height="100mm"',
		`<rect x="10mm" y="1cm" width="20mm" height="2cm" ${red}/>`
	],
	[
		'a viewBox that begins elsewhere',
		'width="100mm" height="100mm" viewBox="-50 -50 100 100"',
		rect(-40, -40, 20, 20)
	],
	[
		'a viewBox of another shape, in the middle',
		'width="100mm" height="100mm" viewBox="0 0 100 50"',
		rect(10, -15, 20, 20)
	],
	[
		'a viewBox at its corner',
		'width="100mm" height="100mm" viewBox="0 0 100 50" preserveAspectRatio="xMinYMin"',
		rect(10, 10, 20, 20)
	],
	[
		'a viewBox stretched',
		'width="100mm" height="100mm" viewBox="0 0 200 50" preserveAspectRatio="none"',
		rect(20, 5, 40, 10)
	],
	[
		'use',
		mmHead,
		`<defs><rect id="r" width="20" height="20" ${red}/></defs><use href="#r" x="10" y="10"/>`
	],
	[
		'use of a use, with transforms',
		mmHead,
		`<defs><rect id="r" width="10" height="10" ${red}/><g id="q"><use xlink:href="#r" x="5"/></g></defs><use xlink:href="#q" transform="scale(2)" y="5"/>`
	],
	[
		'a symbol with a window',
		mmHead,
		`<symbol id="s" viewBox="0 0 10 10"><rect width="10" height="10" ${red}/></symbol><use href="#s" x="10" y="10" width="20" height="20"/>`
	],
	[
		'a nested drawing',
		mmHead,
		`<svg x="10" y="10" width="20" height="20" viewBox="0 0 1 1"><rect width="1" height="1" ${red}/></svg>`
	],
	[
		'inherited styles',
		mmHead,
		`<g fill="none"><g style="stroke:#f00"><rect x="10" y="10" width="20" height="20"/></g></g>`
	],
	[
		'a style sheet',
		mmHead,
		`<style>.a{fill:none;stroke:#FF0000}</style><rect class="b a" x="10" y="10" width="20" height="20"/>`
	],
	[
		'rounded corners',
		mmHead,
		`<rect x="10" y="10" width="40" height="40" rx="20" ${red}/>`,
		circle(30, 30, 20)
	],
	[
		'what is not shown beside what is',
		mmHead,
		`<g style="display:none"><rect width="9" height="9" ${red}/></g>${rect(10, 10, 20, 20)}<clipPath id="c"><rect width="5" height="5"/></clipPath>`
	]
];

describe('a drawing of any program', () => {
	it('there are at least 40', () => {
		expect(drawings.length).toBeGreaterThanOrEqual(40);
	});

	for (const [name, head, body, meant = square] of drawings)
		it(name, () => {
			const { shapes } = drawing(body, head);
			expect(shapes).toHaveLength(1);
			const [{ points, isClosed, colour }] = shapes as [VectorDrawing['shapes'][number]];
			expect(colour).toBe('#ff0000');
			expect(apart(stated(points), meant, isClosed)).toBeLessThan(0.1);
			expect(apart(meant, stated(points), isClosed)).toBeLessThan(0.1);
		});

	it('knows every colour that a style sheet can name', () => {
		const colours = {
			...{ rebeccapurple: '#663399', tomato: '#ff6347', 'hsl(120, 50%, 50%)': '#40bf40' },
			...{ 'hsl(0.5turn 100% 50% / 0.3)': '#00ffff', 'rgb(10%, 20%, 30%)': '#1a334d' },
			...{
				'rgb(10 20 30)': '#0a141e',
				'#abc': '#aabbcc',
				'#a1b2c3d4': '#a1b2c3',
				'url(#g)': '#000000'
			}
		};
		for (const [word, hex] of Object.entries(colours))
			expect(colourOf(word, firstStyle), word).toBe(hex);
		expect(colourOf('none', firstStyle)).toBeUndefined();
	});

	it('becomes tapes, walls, patches and rails, by layer or by colour', () => {
		const read = drawing(
			`<g id="floor"><title>Floor</title><rect x="0" y="0" width="50" height="50" fill="#d84a3a"/></g>
			<g id="quay"><line x1="10" y1="90" x2="90" y2="90" stroke="#111" stroke-width="20"/>
			<path d="M10 10H60V60" fill="none" stroke="#3a72c4" stroke-width="8"/></g>`,
			'width="1000mm" height="1000mm" viewBox="0 0 100 100"'
		);
		const byLayer = groupsOf(read, 'layer');
		expect(byLayer.map(({ key, usual }) => [key, usual])).toEqual([
			['Floor', 'patch'],
			['quay', 'wall']
		]);
		const byColour = groupsOf(read, 'colour');
		expect(byColour.map(({ usual }) => usual)).toEqual(['patch', 'wall', 'tape']);
		const { course, left } = courseOfGroups(read, byColour, {}, 'Drawn');
		expect(left).toBe(0);
		expect(course.patches[0]).toMatchObject({ colour: 'red' });
		expect(course.walls[0]).toMatchObject({ from: [0.1, 0.1], to: [0.9, 0.1], thickness: 0.2 });
		expect(course.tapes[0]).toMatchObject({
			points: [
				[0.1, 0.9],
				[0.6, 0.9],
				[0.6, 0.4]
			],
			width: 0.08,
			colour: 'blue'
		});
		const asRails = courseOfGroups(read, byColour, { [byColour[2]!.key]: 'rail' }, 'Drawn').course;
		const end = new RailPath(asRails.rails[0]!).line.at(-1)!;
		expect(end.x).toBeCloseTo(0.6, 2);
		expect(end.y).toBeCloseTo(0.4, 2);
		const nothing = Object.fromEntries(byColour.map(({ key }) => [key, 'nothing' as const]));
		expect(courseOfGroups(read, byColour, nothing, 'Drawn').course.walls).toEqual([]);
		expect(nearestColour('#fffff0')).toBe('white');
	});

	it('says how much does not fit', () => {
		const lines = Array.from({ length: 230 }, (_, i) => `<path d="M${i} 0V50" stroke="red"/>`);
		const read = drawing(
			`<g id="reeds">${lines.join('')}</g>`,
			'width="9m" viewBox="0 0 300 100"'.replace('width="9m" ', '')
		);
		const taken = courseOfGroups(read, groupsOf(read, 'layer'), { reeds: 'tape' }, 'Reeds');
		expect(taken.course.tapes).toHaveLength(200);
		expect(taken.left).toBe(30);
	});
});
