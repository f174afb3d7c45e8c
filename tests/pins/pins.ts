/** What the pinned rehearsals gave, by the version of the model; with --write it is written anew. */
import { readFileSync, writeFileSync } from 'node:fs';
import { fingerprintOf } from '../../src/core/simulation/fingerprint';
import { modelVersion } from '../../src/core/simulation/settings';
import { simulate } from '../../src/core/simulation/simulate';
import { pinnedRehearsals } from './rehearsals';

interface Pins {
	readonly modelVersion: number;
	readonly attempts: Readonly<Record<string, string>>;
}

const file = new URL('pins.json', import.meta.url);

export const readPins = (): Pins => JSON.parse(readFileSync(file, 'utf8')) as Pins;

/** @throws when an attempt that is pinned would change without the model's version */
function writePins(): void {
	const attempts = Object.fromEntries(
		Object.entries(pinnedRehearsals()).map(([name, rehearsal]) => [
			name,
			fingerprintOf(simulate(rehearsal))
		])
	);
	const before = readPins();
	const changed = Object.keys(attempts).filter(
		(name) => name in before.attempts && before.attempts[name] !== attempts[name]
	);
	if (changed.length > 0 && before.modelVersion === modelVersion) {
		throw new Error(`Raise modelVersion first; these would change: ${changed.join('; ')}`);
	}
	writeFileSync(file, `${JSON.stringify({ modelVersion, attempts }, null, '\t')}\n`);
}

if (process.argv.includes('--write')) writePins();
