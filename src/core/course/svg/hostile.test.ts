/** Drawings that nobody should take in are refused in one sentence. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomCourse } from '../../testing/random-course';
import { isOwn, readOwn } from './own';
import { readDrawing } from './shapes';
import { writeSvg } from './write';
import { runs } from '../../testing/runs';

const whole = (body: string) =>
	`<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm">${body}</svg>`;
const many = (count: number, text: string) => text.repeat(count);

/** Drawings that nobody should take in, and how they are refused. */
const hostile: readonly (readonly [string, string])[] = [
	['svg.entities', `<!DOCTYPE svg [<!ENTITY a "b">]>${whole('<text>&a;</text>')}`],
	['svg.entities', `<!DOCTYPE s [<!ENTITY a "&b;&b;"><!ENTITY b "&c;&c;">]>${whole('&a;')}`],
	['svg.entities', `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${whole('&x;')}`],
	['svg.script', whole('<script>alert(1)</script>')],
	['svg.script', whole('<g><g><script href="#a"/></g></g>')],
	['svg.script', whole('<rect width="1" height="1" onclick="alert(1)"/>')],
	['svg.script', whole('<a href="javascript:alert(1)"><rect/></a>')],
	['svg.script', whole('<foreignObject><p>x</p></foreignObject>')],
	['svg.external', whole('<image href="http://quay.example/a.png"/>')],
	['svg.external', whole('<use xlink:href="file:///quay.svg#a"/>')],
	['svg.external', whole('<use href="other.svg#a"/>')],
	['svg.external', whole('<style>@import "a.css";</style>')],
	['svg.external', whole('<style>rect{fill:url(http://quay.example/a)}</style>')],
	['svg.external', whole('<rect fill="url(//quay.example/a)"/>')],
	['svg.external', whole('<image href="data:text/html;base64,AAAA"/>')],
	['svg.number', whole('<line x1="NaN" y1="0" x2="1" y2="1" stroke="red"/>')],
	['svg.number', whole('<rect width="1e999" height="2"/>')],
	['svg.number', whole('<circle r="five"/>')],
	['svg.number', whole('<polyline points="0,0 1" stroke="red"/>')],
	['svg.number', whole('<polygon points="0,0 Infinity,1" />')],
	['svg.path', whole('<path d="M0 0L x"/>')],
	['svg.path', whole('<path d="L 5 5"/>')],
	['svg.path', whole('<path d="M0 0 A 1"/>')],
	['svg.transform', whole('<g transform="scale(NaN)"><rect/></g>')],
	['svg.transform', whole('<g transform="spin(3)"><rect/></g>')],
	['svg.transform', whole('<g transform="matrix(1 2 3)"><rect/></g>')],
	['svg.viewBox', '<svg viewBox="0 0 0 5" width="5mm" height="5mm"/>'],
	['svg.viewBox', '<svg viewBox="a b c d" width="5mm" height="5mm"/>'],
	['svg.size', '<svg width="0" height="5mm"/>'],
	['svg.size', '<svg width="900000mm" height="5mm"/>'],
	['svg.size', '<svg/>'],
	['svg.far', whole('<path d="M0 0L1e12 0" stroke="red"/>')],
	['svg.far', whole('<line x1="0" y1="0" x2="250000" y2="0" stroke="red"/>')],
	['svg.number', whole(`<rect x="${many(100_000, '1')}x" width="1" height="1"/>`)],
	['svg.transform', whole(`<g transform="${many(100_000, 'a')}"><rect/></g>`)],
	['svg.notXml', many(50_000, '<!DOCTYPE ')],
	[
		'svg.tooMany',
		whole(
			[1, 2, 3, 4, 5, 6, 7]
				.map((n) => `<g id="a${n}">${many(10, `<use href="#a${n - 1}"/>`)}</g>`)
				.join('') + '<g id="a0"/>'
		)
	],
	['svg.recursion', whole('<g id="a"><use href="#a"/></g>')],
	['svg.recursion', whole('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')],
	[
		'svg.recursion',
		whole(
			Array.from({ length: 12 }, (_, i) => `<g id="u${i}"><use href="#u${i + 1}"/></g>`).join('') +
				'<rect id="u12" width="1" height="1"/>'
		)
	],
	['svg.tooDeep', whole(many(70, '<g>') + many(70, '</g>'))],
	['svg.tooDeep', whole(many(100_000, '<g>') + many(100_000, '</g>'))],
	['svg.tooMany', whole(many(21_000, '<rect width="1" height="1"/>'))],
	['svg.tooManyPoints', whole(`<path d="M0 0${many(250_000, 'h1')}" stroke="red"/>`)],
	['svg.tooManyPoints', whole(`<polyline points="${many(260_000, '1 2 ')}" stroke="red"/>`)],
	[
		'svg.tooManyPoints',
		whole(
			`<defs><path id="p" d="M0 0${many(50_000, 'h.1')}" stroke="red"/></defs>${many(9, '<use href="#p"/>')}`
		)
	],
	['svg.tooLarge', whole(`<!--${many(10 * 1024 * 1024, 'x')}-->`)],
	['svg.tooLarge', many(11 * 1024 * 1024, '<')],
	['svg.notXml', '<svg><g></svg>'],
	['svg.notXml', '<svg width="1mm" height="1mm"><rect</svg>'],
	['svg.noSvg', '<html><body/></html>'],
	['svg.part', '<svg data-course="5" width="1mm" height="1mm"/>'],
	[
		'svg.part',
		'<svg data-course="{}" width="1mm" height="1mm"><rect width="1" height="1" data-part="walls" data-value="{}"/></svg>'
	]
];

describe('a drawing that is hostile or broken', () => {
	const read = (text: string): string | undefined => {
		const result = readDrawing(text);
		if (!result.ok) return result.failure.key;
		if (!isOwn(result.value)) return undefined;
		const own = readOwn(result.value);
		return own.ok ? undefined : own.failure.key;
	};

	it.each(hostile.map(([key, text], index) => [index, key, text] as const))(
		'number %i is refused: %s',
		(_index, key, text) => {
			expect(read(text)).toBe(key);
		}
	);

	it('cut off or changed anywhere is read or refused, and nothing is thrown', () => {
		const svg = writeSvg(randomCourse([3, 14, 159, 2653, 58, 979], 3));
		let refused = 0;
		fc.assert(
			fc.property(fc.nat(svg.length), fc.nat(40), fc.string({ maxLength: 12 }), (at, cut, text) => {
				if (read(svg.slice(0, at) + text + svg.slice(at + cut)) !== undefined) refused += 1;
			}),
			{ numRuns: runs(80, 260), seed: 5 }
		);
		expect(refused).toBeGreaterThan(runs(30, 100));
	}, 60_000);

	it('a width, a colour or a style sheet of many letters is read, and keeps nobody waiting', () => {
		const digits = many(100_000, '1');
		const drawings = [
			`<line x2="9" y2="9" stroke="red" stroke-width="${digits}x"/>`,
			`<rect width="9" height="9" fill="rgb(${digits}x"/>`,
			`<style>${many(50_000, '/*')}</style><rect width="9" height="9"/>`,
			`<style>${many(1_000_000, '*')}</style><rect width="9" height="9"/>`,
			`<style>${Array.from({ length: 9000 }, (_, i) => `.c${i}{fill:red}`).join('')}</style>` +
				Array.from({ length: 9000 }, (_, i) => `<rect class="c${i}" width="9" height="9"/>`).join(
					''
				)
		];
		for (const drawing of drawings) expect(readDrawing(whole(drawing)).ok).toBe(true);
	});
});
