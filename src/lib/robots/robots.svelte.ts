/** All robots as this page knows them: who is near, whose links are open, and which are mine. */
import { proxy, type Remote } from 'comlink';
import type { Command } from '$core/devices/device';
import type { Advert, Greeting, LinkPerson, ToRobot } from '$core/link/frames';
import type { LiveNews } from '$core/live/live-news';
import { newId } from '$lib/saving/id';
import type { LinkState } from '$workers/link';
import type { Wavs } from '$workers/clip-sending';
import type { RunRequest } from '$workers/run';
import type { LiveService, Sensed, StoredPlace, Watcher } from '$workers/live';
import { rememberRun } from './held';
import { keepMine, loadMine, type Mine } from './mine';
import { radio } from './radio';

/** Milliseconds after which a robot that says nothing is not near any more. */
const heardFor = 3500;

export interface Near {
	readonly advert: Advert;
	/** Milliseconds, as `Date.now()`. */
	readonly heardAt: number;
}

/** A robot that this page has, or wants. */
export interface Linked {
	readonly state: LinkState;
	readonly battery?: number;
	readonly isCharging?: boolean;
	/** The plans that it holds; undefined until it has told. */
	readonly stored?: readonly StoredPlace[];
	readonly sensed?: Sensed;
	readonly sensedAt?: number;
	/** Where it reckons to be. */
	readonly at?: Sensed['at'];
}

export class Robots {
	/** By their ids. */
	near = $state.raw<Readonly<Record<string, Near>>>({});
	links = $state.raw<Readonly<Record<string, Linked>>>({});
	mine = $state.raw<readonly Mine[]>(loadMine());
	/** Robots are asked for as soon as they are free, by their ids. */
	awaited = $state.raw<readonly string[]>([]);
	/** Undefined until it is known. */
	isRadioOn = $state<boolean | undefined>(undefined);
	/** Robots that more than one place says it has. */
	doubled = $state.raw<readonly string[]>([]);
	/** `Date.now()`, as often as something that is shown may depend on it. */
	now = $state(Date.now());
	person = $state.raw<LinkPerson>({ id: newId(), name: '' });
	/** Told when a robot tells of a run that it made by itself. */
	onJournal: Watcher['journal'] = () => {};
	/** Told when this device does not keep the run that is in progress. */
	onUnkept: Watcher['unkept'] = () => {};
	private service: Remote<LiveService> | undefined;

	/** Begins to listen; again it does no harm. @param person who is here, if that is known */
	open(person: LinkPerson | null): void {
		if (person) this.person = person;
		this.service ??= this.start();
		for (const { id, token, isHeld, person: owner } of this.mine)
			if (isHeld && owner === this.person.id && !this.links[id]) this.connect(id, token);
	}

	private start(): Remote<LiveService> {
		setInterval(() => (this.now = Date.now()), 500);
		return radio({
			near: (advert) => this.hear(advert),
			radio: (isOn, doubled) => {
				this.isRadioOn = isOn;
				this.doubled = doubled;
			},
			link: (robot, state) => this.changed(robot, state),
			battery: (robot, battery, isCharging) => this.know(robot, { battery, isCharging }),
			sensed: (robot, sensed) => this.know(robot, { sensed, sensedAt: Date.now(), at: sensed.at }),
			named: (robot, name) => this.rename(robot, name),
			stored: (robot, stored) => this.know(robot, { stored }),
			journal: (robot, planId, ...entry) => {
				rememberRun(planId);
				this.onJournal(robot, planId, ...entry);
			},
			unkept: () => this.onUnkept()
		});
	}

	private hear(advert: Advert): void {
		this.near = { ...this.near, [advert.id]: { advert, heardAt: Date.now() } };
		if (!this.awaited.includes(advert.id) || this.links[advert.id]) return;
		if (advert.state === 'ready' || advert.state === 'charging') this.connect(advert.id);
	}

	private changed(robot: string, state: LinkState): void {
		// Somebody has given it up meanwhile.
		if (!this.links[robot]) return;
		if (state.phase === 'closed' && state.trouble === undefined) {
			this.drop(robot);
			return;
		}
		this.know(robot, { state });
		if (state.phase === 'paired') this.welcome(state.greeting, state.token);
	}

	private drop(robot: string): void {
		this.links = Object.fromEntries(Object.entries(this.links).filter(([id]) => id !== robot));
	}

	/** What comes late of one that was given up is passed over. */
	private know(robot: string, more: Partial<Linked>): void {
		const known = this.links[robot];
		if (known) this.links = { ...this.links, [robot]: { ...known, ...more } };
	}

	private welcome({ id, name, kind }: Greeting, token: string): void {
		const own = { id, name, kind, token, person: this.person.id, isHeld: true };
		this.keep([own, ...this.mine.filter((one) => one.id !== id)]);
		this.awaited = this.awaited.filter((one) => one !== id);
	}

	private keep(mine: readonly Mine[]): void {
		this.mine = mine;
		keepMine(mine);
	}

	/** Those that are mine, as far as this person is here. */
	readonly own = $derived(this.mine.filter(({ person }) => person === this.person.id));

	/** Those that are heard now, the best heard first, without those that are mine. */
	readonly others = $derived(
		Object.values(this.near)
			.filter(({ advert, heardAt }) => this.now - heardAt < heardFor && !this.isMine(advert.id))
			.map(({ advert }) => advert)
			.toSorted((a, b) => b.signal - a.signal || (a.name < b.name ? -1 : 1))
	);

	private isMine(id: string): boolean {
		return this.own.some((one) => one.id === id);
	}

	/** What is heard of a robot now. */
	advertOf(id: string): Advert | undefined {
		const near = this.near[id];
		return near && this.now - near.heardAt < heardFor ? near.advert : undefined;
	}

	/** The robots that obey this page now. */
	readonly paired = $derived(
		Object.values(this.links).flatMap(({ state }) =>
			state.phase === 'paired' ? [state.greeting] : []
		)
	);

	// --- what a person wants ---

	connect(id: string, token = this.own.find((one) => one.id === id)?.token): void {
		const known = this.links[id];
		this.links = { ...this.links, [id]: { ...known, state: { phase: 'connecting' } } };
		void this.service?.connect(id, { ...this.person }, token);
	}

	/** As soon as it is free, or has started. */
	await(id: string): void {
		this.awaited = [...this.awaited, id];
	}

	tell(id: string, signs: readonly number[]): void {
		void this.service?.tell(id, [...signs]);
	}

	send(id: string, frame: ToRobot): void {
		void this.service?.send(id, frame);
	}

	/** What was wrong is read, or the person gives up. */
	dismiss(id: string): void {
		void this.service?.letGo(id);
		this.drop(id);
		this.awaited = this.awaited.filter((one) => one !== id);
	}

	letGo(id: string): void {
		this.keep(this.mine.map((one) => (one.id === id ? { ...one, isHeld: false } : one)));
		this.dismiss(id);
	}

	switchOff(id: string): void {
		this.send(id, { type: 'switchOff' });
		this.letGo(id);
	}

	forget(id: string): void {
		this.dismiss(id);
		this.keep(this.mine.filter((one) => one.id !== id));
	}

	private rename(id: string, name: string): void {
		this.keep(this.mine.map((one) => (one.id === id ? { ...one, name } : one)));
		const { state } = this.links[id] ?? {};
		if (state?.phase === 'paired')
			this.know(id, { state: { ...state, greeting: { ...state.greeting, name } } });
	}

	hurry(): void {
		void this.service?.hurry();
	}

	halt(): void {
		void this.service?.halt();
	}

	goOn(): void {
		void this.service?.goOn();
	}

	sayWord(word: string): void {
		void this.service?.hear(word);
	}

	press(chain: string): void {
		void this.service?.press(chain);
	}

	set(variable: string, value: number): void {
		void this.service?.set(variable, value);
	}

	order(id: string, command: Command): void {
		void this.service?.order(id, command);
	}

	/** @returns hashes of the sounds that it does not hold then */
	giveClips(id: string, wavs: Wavs): Promise<readonly string[]> {
		return this.service!.giveClips(id, wavs);
	}

	/** @returns false when one of the robots is not there */
	run(request: RunRequest, onNews: (news: LiveNews) => void): Promise<boolean> {
		return this.service!.run(request, proxy(onNews));
	}
}

export const robots = new Robots();
