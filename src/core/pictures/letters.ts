/** Letters for a lamp grid, six lamps high, drawn by us. */

/** Six rows from the top, one after the other. */
const drawn: Readonly<Record<string, string>> = {
	A: '.##.#..##..######..##..#',
	B: '###.#..####.#..##..####.',
	C: '.####...#...#...#....###',
	D: '###.#..##..##..##..####.',
	E: '#####...###.#...#...####',
	F: '#####...###.#...#...#...',
	G: '.####...#...#.###..#.###',
	H: '#..##..######..##..##..#',
	I: '###.#..#..#..#.###',
	J: '..##...#...#...##..#.##.',
	K: '#..##.#.##..##..#.#.#..#',
	L: '#...#...#...#...#...####',
	M: '#...###.###.#.##...##...##...#',
	N: '#..###.###.##.###.###..#',
	O: '.##.#..##..##..##..#.##.',
	P: '###.#..##..####.#...#...',
	Q: '.##.#..##..##..##.##.###',
	R: '###.#..##..####.#.#.#..#',
	S: '.####....##....#...####.',
	T: '#####..#....#....#....#....#..',
	U: '#..##..##..##..##..#.##.',
	V: '#...##...#.#.#..#.#...#....#..',
	W: '#...##...##...##.#.###.###...#',
	X: '#..##..#.##..##.#..##..#',
	Y: '#...##...#.#.#...#....#....#..',
	Z: '####...#..#..#..#...####',
	'0': '.##.#..##.####.##..#.##.',
	'1': '.#.##..#..#..#.###',
	'2': '.##.#..#...#..#..#..####',
	'3': '###....#.##....#...####.',
	'4': '..#..##.#.#.####..#...#.',
	'5': '#####...###....#...####.',
	'6': '.##.#...###.#..##..#.##.',
	'7': '####...#..#...#..#...#..',
	'8': '.##.#..#.##.#..##..#.##.',
	'9': '.##.#..##..#.###...#.##.',
	' ': '............',
	'.': '.....#',
	',': '.........##.',
	'!': '####.#',
	'?': '.##.#..#...#..#.......#.',
	"'": '##....',
	'-': '......###.........',
	'+': '....#.###.#.......',
	':': '.#..#.',
	'=': '...###...###......',
	'/': '...#...#..#..#..#...#...',
	'%': '#..#...#..#..#..#...#..#',
	'°': '.#.#.#.#..........'
};
/** What has no letter of ours. */
const box = '#####..##..##..##..#####';
const dots = '\u0308';
/** Lamps that letters are high, and rows of a grid above them. */
const high = 6;
const above = 1;

function columnsOfLetter(character: string): number[] {
	const [base = '', ...marks] = character.normalize('NFD').toUpperCase();
	const letter = drawn[base] ?? box;
	const width = letter.length / high;
	const columns = Array.from({ length: width }, (_, x) => {
		const rows = Array.from({ length: high }, (__, y) => letter[y * width + x] === '#');
		return rows.reduce((bits, isLit, y) => bits + (isLit ? 1 << (y + above) : 0), 0);
	});
	if (!marks.includes(dots)) return columns;
	return columns.map(
		(bits, column) => bits + (column === 0 || column === columns.length - 1 ? 1 : 0)
	);
}

/** Columns of lamps from the left, each a byte whose lowest bit is the top lamp; one is dark between letters. */
export const lettered = (text: string): readonly number[] =>
	[...text.normalize('NFC')].flatMap((letter, index) => [
		...(index > 0 ? [0] : []),
		...columnsOfLetter(letter)
	]);
