/** `npm run reasons`: which planted faults are found, what is named where there is none, which mends help. */
import { nameSound, tryFaults } from './trial';

const all = tryFaults();
for (const { fault, said, found } of all)
	console.log(
		`${found} of ${said.length}  ${fault.name.padEnd(52)} ${said.map((each) => each.join('+') || '-').join(', ')}`
	);
const sum = (numbers: readonly number[]) => numbers.reduce((one, other) => one + other, 0);
console.log(
	`\n${sum(all.map(({ found }) => found))} of ${sum(all.map(({ said }) => said.length))} found`
);

const named = nameSound();
for (const [i, each] of named.entries())
	if (each.length > 0) console.log(`sound ${i + 1}: ${each.join(', ')}`);
const silent = named.filter(({ length }) => length === 0).length;
console.log(`nothing named in ${silent} of ${named.length} sound attempts`);

const mends = all.flatMap(({ mends }) => mends);
const helpful = mends.filter(({ left }) => left <= 0.5).length;
const undone = mends.filter(({ isUndone }) => isUndone).length;
console.log(
	`${mends.length} mends offered, ${helpful} halve it by another chance too, ${undone} undone`
);
for (const { what, left } of mends)
	if (left > 0.5) console.log(`  ${what}: ${Math.round(left * 100)} % left`);
