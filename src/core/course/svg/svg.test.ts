/** Drawings of general drawing programs come in as they are meant. */
import { describe, expect, it } from 'vitest';
import { got } from '../../testing/got';
import { points } from '../../testing/sample';
import { distanceTo, type Point } from '../measure';
import { RailPath } from '../rails';
import { readDrawing, type VectorDrawing } from './shapes';
import { colourOf, firstStyle } from './style';
import { courseOfGroups, groupsOf, nearestColour } from './take';

const drawing = (body: string, head = mmHead): VectorDrawing =>
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
const square = points('10,10 30,10 30,30 10,30');
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
const bezier = (stated: string): Point[] => {
	const [a, b, c, d] = points(stated);
	return Array.from({ length: 101 }, (_, i) => {
		const [t, u] = [i / 100, 1 - i / 100];
		const mix = (k: 0 | 1) =>
			u ** 3 * a![k] + 3 * u * u * t * b![k] + 3 * u * t * t * c![k] + t ** 3 * d![k];
		return [mix(0), mix(1)];
	});
};
const mm = 'width="100mm" height="100mm"';
const mmHead = `${mm} viewBox="0 0 100 100"`;
const pixels = 377.95276;
const rect = (x: number, y: number, width: number, height: number): string =>
	`<rect x="${x}" y="${y}" width="${width}" height="${height}"/>`;
const usual = rect(10, 10, 20, 20);
const quarter = rect(37.795276, 37.795276, 75.590551, 75.590551);
const whole = '<rect width="10" height="10"/>';

/** As drawing programs write them, in red if they say nothing else; and what they mean, if it is not the square. */
const drawings: readonly (readonly [
	name: string,
	body: string,
	meant?: readonly Point[],
	head?: string
])[] = [
	['a line', '<line x1="10" y1="20" x2="60" y2="20"/>', points('10,20 60,20')],
	['a polyline', '<polyline points="10,10 30,10 30,30 10,30"/>'],
	['a polygon with commas only', '<polygon points="10,10,30,10,30,30,10,30"/>'],
	['a rectangle', usual],
	['a circle', '<circle cx="50" cy="50" r="20"/>', circle(50, 50, 20)],
	['an ellipse that is one', '<ellipse cx="50" cy="50" rx="20" ry="20"/>', circle(50, 50, 20)],
	['a path, absolute', '<path d="M10 10H30V30H10Z"/>'],
	['a path, relative and tight', '<path d="m10 10h20v20h-20z"/>'],
	['a path of line steps', '<path d="m10,10 20,0 0,20 -20,0 z"/>'],
	['an arc', '<path d="M70 50A20 20 0 0 1 50 70"/>', arc(50, 50, 20, 0, 90)],
	['a large arc', '<path d="M70 50A20 20 0 1 1 50 30"/>', arc(50, 50, 20, 0, 270)],
	['an arc left, flags together', '<path d="M70 50A20 20 0 0050 30"/>', arc(50, 50, 20, 0, -90)],
	['a cubic', '<path d="M10 90C10 10 90 10 90 90"/>', bezier('10,90 10,10 90,10 90,90')],
	[
		'a smooth cubic',
		'<path d="M10 50C10 30 30 30 30 50S50 70 50 50"/>',
		[...bezier('10,50 10,30 30,30 30,50'), ...bezier('30,50 30,70 50,70 50,50')]
	],
	['a quadratic', '<path d="M15 90Q45 30 75 90"/>', bezier('15,90 35,50 55,50 75,90')],
	[
		'a smooth quadratic',
		'<path d="M15 50Q30 20 45 50T75 50"/>',
		[...bezier('15,50 25,30 35,30 45,50'), ...bezier('45,50 55,70 65,70 75,50')]
	],
	['numbers with exponents', '<path d="M1e1 1.0e1H3E1V.3e2H10z"/>'],
	['translate', `<g transform="translate(5,5)">${rect(5, 5, 20, 20)}</g>`],
	['scale', `<g transform="scale(2)">${rect(5, 5, 10, 10)}</g>`],
	['rotate about a point', `<g transform="rotate(90 20 20)">${usual}</g>`],
	[
		'nested transforms',
		'<g transform="translate(10 10)"><g transform="scale(2)"><g transform="rotate(90)"><path d="M0 0V-10H10V0Z"/></g></g></g>'
	],
	['a list of transforms', `<g transform="translate(10,10) scale(2, 2)">${whole}</g>`],
	['a matrix', `<g transform="matrix(2 0 0 2 10 10)">${whole}</g>`],
	['skew there and back', `<g transform="skewX(30)"><g transform="skewX(-30)">${usual}</g></g>`],
	['a mirror', `<g transform="scale(-1 1) translate(-40 0)">${usual}</g>`],
	['centimetres', usual, square, 'width="10cm" height="10cm" viewBox="0 0 100 100"'],
	['inches', usual, square, 'width="3.937008in" height="3.937008in" viewBox="0 0 100 100"'],
	[
		'points',
		quarter,
		square,
		`width="283.46457pt" height="283.46457pt" viewBox="0 0 ${pixels} ${pixels}"`
	],
	['pixels alone', quarter, square, `width="${pixels}" height="${pixels}"`],
	['a viewBox alone', quarter, square, `viewBox="0 0 ${pixels} ${pixels}"`],
	['units on an element', '<rect x="10mm" y="1cm" width="20mm" height="2cm"/>', square, mm],
	['a viewBox elsewhere', rect(-40, -40, 20, 20), square, `${mm} viewBox="-50 -50 100 100"`],
	['a viewBox in the middle', rect(10, -15, 20, 20), square, `${mm} viewBox="0 0 100 50"`],
	[
		'a viewBox at its corner',
		usual,
		square,
		`${mm} viewBox="0 0 100 50" preserveAspectRatio="xMinYMin"`
	],
	[
		'a viewBox stretched',
		rect(20, 5, 40, 10),
		square,
		`${mm} viewBox="0 0 200 50" preserveAspectRatio="none"`
	],
	['use', '<defs><rect id="r" width="20" height="20"/></defs><use href="#r" x="10" y="10"/>'],
	[
		'use of a use, with transforms',
		'<defs><rect id="r" width="10" height="10"/><g id="q"><use xlink:href="#r" x="5"/></g></defs><use xlink:href="#q" transform="scale(2)" y="5"/>'
	],
	[
		'a symbol with a window',
		`<symbol id="s" viewBox="0 0 10 10">${whole}</symbol><use href="#s" x="10" y="10" width="20" height="20"/>`
	],
	[
		'a nested drawing',
		`<svg x="10" y="10" width="20" height="20" viewBox="0 0 10 10">${whole}</svg>`
	],
	['inherited styles', `<g fill="none"><g style="stroke:#f00">${usual}</g></g>`],
	[
		'a style sheet',
		'<style>.a{fill:none;stroke:#FF0000}</style><rect class="b a" x="10" y="10" width="20" height="20"/>'
	],
	['rounded corners', '<rect x="10" y="10" width="40" height="40" rx="20"/>', circle(30, 30, 20)],
	[
		'what is not shown beside what is',
		`<g style="display:none">${whole}</g>${usual}<clipPath id="c">${whole}</clipPath>`
	]
];

describe('a drawing of any program', () => {
	it('there are at least 40', () => {
		expect(drawings.length).toBeGreaterThanOrEqual(40);
	});

	for (const [name, body, meant = square, head = mmHead] of drawings)
		it(name, () => {
			const isStyled = body.includes('stroke:');
			const red = isStyled ? body : `<g stroke="red" fill="none">${body}</g>`;
			const { shapes } = drawing(red, head);
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
			points: points('0.1,0.9 0.6,0.9 0.6,0.4'),
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
		const read = drawing(`<g id="reeds">${lines.join('')}</g>`, 'viewBox="0 0 300 100"');
		const taken = courseOfGroups(read, groupsOf(read, 'layer'), { reeds: 'tape' }, 'Reeds');
		expect(taken.course.tapes).toHaveLength(200);
		expect(taken.left).toBe(30);
	});
});
