/**
 * The worker that talks to robots: who is near, the links of this page, and the run in progress. It
 * is a thread of its own, so that drawing never delays an order.
 */
import { expose } from 'comlink';
import { z } from 'zod';
import { markOf } from '../core/course/mark';
import type { Command } from '../core/devices/device';
import { devices } from '../core/devices/list';
import {
	advertSchema,
	readMessage,
	type Advert,
	type FromRobot,
	type LinkPerson,
	type ToRobot
} from '../core/link/frames';
import { LinkPort } from '../core/link/link-port';
import type { LinkPlace } from '../core/link/place';
import type { LiveNews } from '../core/live/live-news';
import { readNews } from '../core/live/news-text';
import { sendClips, type ClipLine, type Wavs } from './clip-sending';
import { Link, type LinkState } from './link';
import { keepRun, NewsWriter } from './kept';
import { RunInProgress, runSchema } from './run';

/** Milliseconds between two words about what a robot senses. */
const sensedEvery = 100;

const radioSchema = z.strictObject({
	type: z.literal('radio'),
	isOn: z.boolean(),
	/** Ids that more than one host says it has: only the first is reached. */
	doubled: z.array(z.string())
});

/** What a robot says of itself while nobody drives it. */
export interface Sensed {
	readonly row: Readonly<Record<string, number | boolean | string | null>>;
	readonly shows: Readonly<Record<string, number | null>>;
	/** Where it reckons to be, if it does. */
	readonly at: LinkPlace | undefined;
}

export interface Watcher {
	near(advert: Advert): void;
	radio(isOn: boolean, doubled: readonly string[]): void;
	link(robot: string, state: LinkState): void;
	battery(robot: string, battery: number, isCharging: boolean): void;
	sensed(robot: string, sensed: Sensed): void;
	named(robot: string, name: string): void;
	stored(robot: string, places: readonly StoredPlace[]): void;
	/** A robot tells of a run that it made by itself. */
	journal(robot: string, planId: string, news: LiveNews, isLast: boolean): void;
	/** This device does not keep the run that is in progress. */
	unkept(): void;
}

export type StoredPlace = (FromRobot & { type: 'stored' })['places'][number];

let url: URL;
let watcher: Watcher | undefined;
const links = new Map<string, Link>();
const sensedAt = new Map<string, number>();
/** What each robot sensed last. */
const lastSensed = new Map<string, FromRobot & { type: 'sense' }>();
/** Where each was told that it stands: what it sensed before it heard that is not asked for. */
const toldPlace = new Map<string, Sensed['at']>();
/** Who hears what a robot says, beside the link itself: a run, or hands that drive. */
const ports = new Map<string, LinkPort>();

// --- who is near ---

function listen(pause = 500): void {
	const near = new URL(url);
	near.searchParams.set('near', '');
	const socket = new WebSocket(near);
	let next = pause;
	socket.onmessage = ({ data }) => {
		next = 500;
		const value = readMessage(String(data), z.unknown());
		const advert = advertSchema.safeParse(value).data;
		if (advert) watcher?.near(advert);
		const radio = radioSchema.safeParse(value).data;
		if (radio) watcher?.radio(radio.isOn, radio.doubled);
	};
	socket.onclose = () => {
		watcher?.radio(false, []);
		setTimeout(() => listen(Math.min(8000, next * 1.7)), next);
	};
}

// --- links ---

/** Answers of robots that somebody waits for. */
const awaited = new Map<string, (frame: FromRobot) => void>();

/** What is asked of a robot, and answered. */
const lineTo = (robot: string): ClipLine => ({
	send: (frame) => links.get(robot)?.send(frame),
	next: (types, within) =>
		new Promise((answer) => {
			const end = (frame?: FromRobot) => {
				clearTimeout(timer);
				awaited.delete(robot);
				answer(frame as never);
			};
			const timer = setTimeout(end, within);
			awaited.set(robot, (frame) => types.some((type) => type === frame.type) && end(frame));
		})
});

function heard(robot: string, frame: FromRobot, odd: readonly string[]): void {
	awaited.get(robot)?.(frame);
	const port = ports.get(robot);
	for (const name of odd) port?.odd.add(name);
	port?.receive(frame);
	if (frame.type === 'battery') watcher?.battery(robot, frame.battery, frame.isCharging);
	else if (frame.type === 'named') watcher?.named(robot, frame.name);
	else if (frame.type === 'stored') watcher?.stored(robot, frame.places);
	else if (frame.type === 'journal') void takeEntry(robot, frame);
	else if (frame.type === 'sense') {
		lastSensed.set(robot, frame);
		tellSensed(robot, frame);
	} else if (run && run.robots.includes(robot)) run.tick();
}

/** To say, once for each run, that this device does not keep it. */
function sayUnkept(): () => void {
	let isTold = false;
	return () => {
		if (!isTold) watcher?.unkept();
		isTold = true;
	};
}

/** Of runs that robots made by themselves, by their ids. */
const writers = new Map<string, NewsWriter>();

async function takeEntry(robot: string, entry: FromRobot & { type: 'journal' }): Promise<void> {
	const { run: id, planId, courseId, plan, ago, isLast } = entry;
	const news = readNews(entry.news);
	if (!news) return;
	if (plan) {
		writers.set(id, new NewsWriter(id, sayUnkept()));
		void keepRun({ id, planId, courseId, plan, at: Date.now() - ago * 1000 });
	}
	writers.get(id)?.add(news, isLast);
	watcher?.journal(robot, planId, news, isLast);
}

function tellSensed(robot: string, { row, shows = {}, at }: FromRobot & { type: 'sense' }): void {
	const now = performance.now();
	if (now - (sensedAt.get(robot) ?? 0) < sensedEvery) return;
	sensedAt.set(robot, now);
	watcher?.sensed(robot, { row, shows, at });
}

function changed(robot: string, state: LinkState): void {
	watcher?.link(robot, state);
	if (state.phase === 'closed') links.delete(robot);
	if (state.phase !== 'paired') run?.lost(robot);
}

// --- the run in progress ---

let run: RunInProgress | undefined;

/** A run is over: its robots obey hands again. */
function setFree(robots: readonly string[]): void {
	for (const robot of robots) ports.delete(robot);
	run = undefined;
}

/** A port that has begun; the model has its own. */
function begunPort(robot: string, ofModel: LinkPort | undefined): LinkPort {
	if (ofModel) {
		ports.set(robot, ofModel);
		return ofModel;
	}
	const port = portOf(robot);
	const last = lastSensed.get(robot);
	port.start(last && { ...last, at: toldPlace.get(robot) ?? last.at });
	return port;
}

const known = new Map(devices.map((device) => [device.id, device]));

/** A fresh end for what is asked of a robot from now on. */
function portOf(robot: string): LinkPort {
	const link = links.get(robot)!;
	const { greeting } = link.state as LinkState & { phase: 'paired' };
	const own = greeting.devices.map((id) => known.get(id) ?? { id, readings: {} });
	const port = new LinkPort(own, (frame) => link.send(frame));
	ports.set(robot, port);
	return port;
}

const service = {
	/** @param base address of the app's link path */
	open(base: string, events: Watcher): void {
		url = new URL(base);
		watcher = events;
		listen();
	},

	connect(robot: string, person: LinkPerson, token?: string): void {
		if (links.has(robot)) return;
		const link = new Link(robot, url, person, token, {
			changed: (state) => changed(robot, state),
			heard: (frame, odd) => heard(robot, frame, odd)
		});
		links.set(robot, link);
		watcher?.link(robot, link.state);
	},

	/** Somebody says which signs they see. */
	tell(robot: string, signs: readonly number[]): void {
		links.get(robot)?.tell(signs);
	},

	/** @param frame that needs no answer, such as a new name */
	send(robot: string, frame: ToRobot): void {
		if (frame.type === 'lineUp') toldPlace.set(robot, frame.at);
		links.get(robot)?.send(frame);
	},
	/** Sounds that it is to play. @returns hashes of those that it does not hold */
	giveClips: (robot: string, wavs: Wavs): Promise<readonly string[]> =>
		sendClips(lineTo(robot), wavs),

	letGo(robot: string): void {
		links.get(robot)?.close();
	},
	hurry(): void {
		for (const link of links.values()) link.hurry();
	},

	/** @returns false when a robot is not there */
	async run(request: unknown, onNews: (news: LiveNews) => void): Promise<boolean> {
		const wanted = runSchema.parse(request);
		run?.leave();
		const isThere = (robot: string) => links.get(robot)?.isPaired;
		if (!wanted.model && !wanted.robots.every(isThere)) return false;
		const { id, planId, courseId, at, plan, course } = wanted;
		// A device that keeps nothing is no reason not to run.
		if (!wanted.model) {
			const ofRun = { id, planId, courseId, at, plan, courseMark: markOf(course) };
			if (!(await keepRun(ofRun))) watcher?.unkept();
		}
		run = new RunInProgress(wanted, {
			portFor: begunPort,
			news: onNews,
			unkept: sayUnkept(),
			over: () => setFree(wanted.robots)
		});
		run.begin();
		return true;
	},

	/** Everything stops, whatever it was told before. */
	halt(): void {
		for (const link of links.values()) link.send({ type: 'halt' });
		run?.halt();
	},

	/** Somebody says a word to the robots of the run in progress. */
	hear(word: string): void {
		run?.hear(word);
	},
	/** A hand starts a chain of the run in progress. */
	press(chain: string): void {
		run?.press(chain);
	},
	/** Somebody has measured behind a leg, or not, and goes on. */
	goOn(): void {
		run?.goOn();
	},
	/** A hand sets a variable in it. */
	set(variable: string, value: number): void {
		run?.set(variable, value);
	},

	/** An order by hand. */
	order(robot: string, command: Command): void {
		const port = ports.get(robot) ?? (links.get(robot)?.isPaired ? portOf(robot) : undefined);
		port?.begin(command);
	}
};

export type LiveService = typeof service;

expose(service);
