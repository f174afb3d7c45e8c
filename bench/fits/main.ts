/** `npm run fits`: how well fitted models foretell where robots of hidden character end. */
import { degrees } from '../../src/core/units/angles';
import { tryFits } from './fits';

const median = (numbers: readonly number[]) =>
	numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)]!;

const tried = tryFits(Number(process.argv[2] ?? 10), process.argv[3]);
for (const kind of new Set(tried.map((each) => each.kind))) {
	const own = tried.filter((each) => each.kind === kind);
	const [metres, angle] = own[0]!.within;
	const seconds = median(own.map(({ ms }) => ms)) / 1000;
	console.log(`${kind}, fitted in ${seconds.toFixed(1)} s:`);
	for (const of of ['five', 'hundreds'] as const) {
		const within = (when: 'after' | 'best') =>
			own.filter((each) => each[when][of][0] <= metres && degrees(each[when][of][1]) <= angle)
				.length;
		const said = (when: 'before' | 'after') => {
			const [way, turn] = [0, 1].map((which) => median(own.map((each) => each[when][of][which]!)));
			return `${(1000 * way!).toFixed(0)} mm and ${degrees(turn!).toFixed(1)}° ${when}`;
		};
		console.log(
			`  against ${of}: ${within('after')} of ${own.length} within ${metres * 1000} mm and ${angle}°`,
			`(${within('best')} with what the robot truly is like);`,
			`median ${said('before')}, ${said('after')}`
		);
	}
}
const off = tried.flatMap((each) => each.off);
const held = off.filter((deviations) => Math.abs(deviations) <= 1.96).length;
console.log(
	`plus or minus (1.96 deviations) holds in ${((100 * held) / off.length).toFixed(0)} of 100`
);
