/**
 * A yard of simulated robots, in a process of its own.
 *
 *   tsx src/standin/main.ts [--port N] [--share] [--name NAME ...] [--data FOLDER] [--day N]
 *     [--variation ideal|classroom|worn] [--latency MS] [--jitter MS] [--loss PART] [--many N]
 *
 * --day is the seed of how its robots are today. --many adds so many Skiffs more.
 */
import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { courseFormat, makeCourse } from '../core/course/course';
import { readDocument } from '../core/document';
import type { Tokens } from '../core/link/door';
import { variations, type Variation } from '../core/robots/robot';
import { roster, type RosterRow } from './roster';
import { serveYard } from './server';
import words from './words.en.json' with { type: 'json' };
import { Yard, type Places } from './yard';

const { values } = parseArgs({
	options: {
		port: { type: 'string', default: '4174' },
		share: { type: 'boolean', default: false },
		name: { type: 'string', multiple: true, default: [] },
		data: { type: 'string', default: 'data' },
		day: { type: 'string' },
		variation: { type: 'string', default: 'classroom' },
		latency: { type: 'string', default: '0' },
		jitter: { type: 'string', default: '0' },
		loss: { type: 'string', default: '0' },
		many: { type: 'string', default: '0' }
	}
});

/** Milliseconds between two looks at the clock. */
const interval = 8;

function refuse(sentence: string): never {
	console.error(`yard: ${sentence}`);
	process.exit(2);
}

const number = (name: 'port' | 'latency' | 'jitter' | 'loss' | 'many'): number => {
	const value = Number(values[name]);
	return value >= 0 ? value : refuse(words['yard.badNumber'].replace('{name}', name));
};

/** What robots do not forget when they are switched off. */
interface Memory {
	/** Names that people gave them. */
	names: Record<string, string>;
	/** What each knows people by: a token for each device of theirs. */
	tokens: Record<string, Record<string, readonly string[]>>;
}

/** Devices of one person that a robot knows, and people. */
const mostDevices = 4;
const mostPeople = 200;

const memoryFile = join(values.data, 'yard.json');
const memory: Memory = { names: {}, tokens: {}, ...readMemory() };

function readMemory(): Partial<Memory> {
	try {
		return JSON.parse(readFileSync(memoryFile, 'utf8')) as Partial<Memory>;
	} catch {
		// The yard opens for the first time.
		return {};
	}
}

function keepMemory(): void {
	mkdirSync(values.data, { recursive: true });
	writeFileSync(memoryFile, JSON.stringify(memory), { mode: 0o600 });
}

const tokensOf = (robot: string): Tokens => ({
	of: (person) => memory.tokens[robot]?.[person] ?? [],
	keep(person, token) {
		const { [person]: own = [], ...others } = memory.tokens[robot] ?? {};
		const people = Object.entries(others).slice(-(mostPeople - 1));
		const kept = [token, ...own].slice(0, mostDevices);
		memory.tokens[robot] = { ...Object.fromEntries(people), [person]: kept };
		keepMemory();
	}
});

/** The sample courses, and the shed where robots stand that are not on any. */
function readPlaces(): Places[] {
	const samples = new URL('../../samples/', import.meta.url);
	const text = (name: string) => readFileSync(new URL(name, samples), 'utf8');
	const { courses } = JSON.parse(text('index.json')) as { courses: { file: string }[] };
	const shed = makeCourse({
		name: words['yard.shed'],
		size: { width: 4.6, height: 1.6 },
		starts: Array.from({ length: 8 }, (_, index) => ({ at: [0.4 + 0.54 * index, 1.1], bearing: 0 }))
	});
	return [
		{ id: 'shed', course: shed },
		...courses.map(({ file }) => {
			const read = readDocument(text(`courses/${file}.json`), courseFormat);
			if (!read.ok) throw new Error(`samples/courses/${file}.json cannot be read.`);
			return { id: file, course: read.value };
		})
	];
}

const variation = values.variation as Variation;
if (!variations.includes(variation)) refuse(words['yard.badVariation']);
const more = Array.from({ length: number('many') }, (_, index): RosterRow => ({
	id: `skiff-${index + 1}`,
	name: `Ember-${index + 10}`,
	kind: 'skiff',
	signal: 0.7
}));
const yard = new Yard({
	places: readPlaces(),
	robots: [...roster, ...more].map((one) => ({ ...one, name: memory.names[one.id] ?? one.name })),
	variation,
	seed: values.day === undefined ? randomBytes(4).readUInt32LE() : Number(values.day),
	tokens: tokensOf,
	chance: Math.random,
	onName: (robot, name) => {
		memory.names[robot] = name;
		keepMemory();
	}
});

const isShared = values.share;
const air = { latency: number('latency'), jitter: number('jitter'), loss: number('loss') };
const server = serveYard({ yard, air, isShared, names: values.name });
server.once('error', (error: NodeJS.ErrnoException) => {
	if (error.code !== 'EADDRINUSE') throw error;
	refuse(words['yard.taken'].replace('{port}', values.port));
});
server.listen(number('port'), isShared ? undefined : '127.0.0.1', () => {
	const address = server.address();
	const port = typeof address === 'object' && address ? address.port : 0;
	process.send?.({ port });
	console.log(words['yard.open'].replace('{address}', `http://localhost:${port}/`));
});

let last = performance.now();
setInterval(() => {
	const now = performance.now();
	yard.pass((now - last) / 1000);
	last = now;
}, interval);

process.once('disconnect', () => process.exit(0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0));
