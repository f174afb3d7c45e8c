/** Draws what the yard says of itself, and tells it what hands do. No part of the app. */

/** Milliseconds between two looks. */
const interval = 120;

const words = await (await fetch('/words.json')).json();
const drawings = await (await fetch('/drawings')).json();
const say = (key, values = {}) =>
	(words[key] ?? key).replace(/\{(\w+)\}/g, (_, name) => values[name]);

for (const element of document.querySelectorAll('[data-word]'))
	element.textContent = say(element.dataset.word);
document.title = say('yard.title');
const trouble = document.querySelector('#trouble');
const measured = document.querySelector('#measured');
const floors = document.querySelector('#floors');
const list = document.querySelector('#robots');

const make = (name, attributes = {}, ...children) => {
	const isSvg = ['svg', 'g', 'path', 'line', 'rect', 'circle', 'text', 'polygon'].includes(name);
	const element = isSvg
		? document.createElementNS('http://www.w3.org/2000/svg', name)
		: document.createElement(name);
	for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, value);
	element.append(...children);
	return element;
};
const colour = (number) => (number ? `#${number.toString(16).padStart(6, '0')}` : null);

/** @returns what the yard says, if it did what was asked */
async function ask(address, body) {
	const response = await fetch(address, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body
	});
	const answer = await response.json();
	if (!response.ok) measured.textContent = answer.message;
	await look();
	return response.ok && answer;
}
const act = (deed) => ask('/hands', JSON.stringify(deed));

document.querySelector('#lay').addEventListener('change', async ({ currentTarget }) => {
	const [file] = currentTarget.files;
	currentTarget.value = '';
	const laid = file && (await ask('/courses', await file.text()));
	if (laid) measured.textContent = say('yard.laid', { name: laid.name });
});

// --- sounds ---

/** Nothing sounds until somebody wants it: browsers ask for that, too. */
let air;
document.querySelector('#sound').addEventListener('click', ({ currentTarget }) => {
	air = air ? void air.close() : new AudioContext();
	currentTarget.setAttribute('aria-pressed', String(Boolean(air)));
});

/** @param pitch Hz @param length seconds */
function beep(pitch, length) {
	if (!air) return;
	const tone = air.createOscillator();
	const volume = air.createGain();
	volume.gain.value = 0.08;
	tone.frequency.value = pitch;
	tone.connect(volume).connect(air.destination);
	tone.start();
	tone.stop(air.currentTime + length);
}

/** Plays a sound that a robot holds, as it is. @param length seconds */
async function playClip(clip, length) {
	if (!air) return;
	const file = await fetch(`/clips/${clip}`);
	if (!file.ok) return;
	const source = air.createBufferSource();
	source.buffer = await air.decodeAudioData(await file.arrayBuffer());
	source.connect(air.destination);
	source.start(0, 0, length);
}

function sayAloud(text) {
	if (air) globalThis.speechSynthesis?.speak(new SpeechSynthesisUtterance(text));
}

/** What each robot was like when somebody looked last. */
const before = new Map();

/** A beep for each blink, and a tone for a robot that has started. */
function listen({ id, light, power, sounds }) {
	const last = before.get(id);
	if (last && light && !last.light) beep(880, 0.08);
	if (last?.power === 'starting' && power === 'on') beep(523, 0.35);
	const heard = sounds && JSON.stringify(sounds);
	if (last && heard && heard !== last.heard) {
		if (sounds.text) sayAloud(sounds.text);
		else if (sounds.clip) void playClip(sounds.clip, sounds.length);
		else beep(sounds.pitch, sounds.length);
	}
	before.set(id, { light, power, heard });
}

// --- tape measure and protractor ---

/** By which a hand is wrong: metres and degrees. */
const handOff = { tape: 0.002, protractor: 1 };
/** Metres within which a press meets a robot, and another thing. */
const meets = { robot: 0.1, thing: 0.06 };

let tool;
/** Where the first press was. */
let pressed;

for (const button of document.querySelectorAll('[data-tool]'))
	button.addEventListener('click', () => {
		tool = tool === button.dataset.tool ? undefined : button.dataset.tool;
		for (const each of document.querySelectorAll('[data-tool]'))
			each.setAttribute('aria-pressed', String(each.dataset.tool === tool));
		measured.textContent = tool ? say(`yard.${tool}How`) : '';
		drawTape();
	});

/** Normal with a deviation of 1. */
const slip = () =>
	Math.sqrt(-2 * Math.log(1 - Math.random())) * Math.cos(2 * Math.PI * Math.random());

const apart = ([ax, ay], [bx, by]) => Math.hypot(bx - ax, by - ay);
const bearingOf = (heading) => (((90 - (heading * 180) / Math.PI) % 360) + 360) % 360;

/** What stands still on a floor, and can be measured from. */
function thingsOf({ size: { width, height }, walls, lampPosts, starts, finish }) {
	const corners = [0, width].flatMap((x) => [0, height].map((y) => ({ at: [x, y] })));
	const ends = walls.flatMap(({ from, to }) => [{ at: from }, { at: to }]);
	return [...corners, ...ends, ...lampPosts, ...starts, ...(finish ? [finish] : [])];
}

/** @param places each with where it is, in `at` */
function nearest(places, from, within) {
	const near = places.filter(({ at }) => apart(at, from) <= within);
	return near.sort((a, b) => apart(a.at, from) - apart(b.at, from))[0];
}

/** Somebody presses on a floor while a tool is in hand. @param at metres */
function measure(floor, at) {
	const robot = nearest(floor.here, at, meets.robot);
	const { at: place } = robot ?? nearest(floor.things, at, meets.thing) ?? { at };
	const hand = (value, off, digits) => (value + slip() * off).toFixed(digits);
	const isFirst = pressed?.floor !== floor;
	if (tool === 'protractor' && robot && isFirst) {
		const bearing = hand(bearingOf(robot.heading), handOff.protractor, 0);
		measured.textContent = say('yard.protractorSays', { bearing: (Number(bearing) + 360) % 360 });
		return;
	}
	if (isFirst) {
		pressed = { floor, place };
		measured.textContent = say('yard.second');
		return drawTape();
	}
	const from = pressed.place;
	if (tool === 'tape') {
		const length = hand(apart(from, place) * 100, handOff.tape * 100, 1);
		measured.textContent = say('yard.tapeSays', { length });
	} else {
		const heading = Math.atan2(place[1] - from[1], place[0] - from[0]);
		const bearing = hand(bearingOf(heading), handOff.protractor, 0);
		measured.textContent = say('yard.protractorSays', { bearing: (Number(bearing) + 360) % 360 });
	}
	drawTape(floor, from, place);
}

function drawTape(floor, from, to) {
	for (const each of shownFloors.values()) each.tape.removeAttribute('d');
	if (floor) {
		floor.tape.setAttribute('d', `M${from.join(' ')}L${to.join(' ')}`);
		pressed = undefined;
	} else if (pressed && tool) {
		const [x, y] = pressed.place;
		pressed.floor.tape.setAttribute(
			'd',
			`M${x - 0.02} ${y}H${x + 0.02}M${x} ${y - 0.02}V${y + 0.02}`
		);
	} else pressed = undefined;
}

// --- floors ---

const shownFloors = new Map();

function floorOf({ id, course }) {
	const { width, height } = course.size;
	const margin = 0.1;
	const robots = make('g');
	const tape = make('path', { class: 'tape' });
	const posts = new Map(
		course.lampPosts.map((post) => [
			post.id,
			make('circle', { class: 'post', cx: post.at[0], cy: post.at[1], r: 0.05 })
		])
	);
	const drawing = make(
		'g',
		{ transform: `translate(0 ${height}) scale(1 -1)` },
		make('rect', { class: 'floor', width, height }),
		...course.rails.map(({ pieces, at, bearing }) =>
			make('path', { class: 'rail', d: railPath(at, bearing, pieces) })
		),
		...course.walls.map(({ from, to, thickness }) =>
			make('line', {
				class: 'wall',
				...{ x1: from[0], y1: from[1], x2: to[0], y2: to[1] },
				'stroke-width': thickness
			})
		),
		...course.crates.map(({ at, bearing, width: w, depth }) =>
			make('rect', {
				class: 'crate',
				...{ x: -w / 2, y: -depth / 2, width: w, height: depth },
				transform: `translate(${at[0]} ${at[1]}) rotate(${-bearing})`
			})
		),
		...posts.values(),
		...course.starts.map(({ at }) =>
			make('circle', { class: 'start', cx: at[0], cy: at[1], r: 0.1 })
		),
		...(course.finish
			? [
					make('circle', {
						class: 'ring',
						cx: course.finish.at[0],
						cy: course.finish.at[1],
						r: course.finish.radius
					})
				]
			: []),
		robots,
		tape
	);
	const svg = make(
		'svg',
		{
			viewBox: `${-margin} ${-margin} ${width + 2 * margin} ${height + 2 * margin}`,
			role: 'img',
			'aria-label': course.name
		},
		drawing
	);
	const figure = make('figure', {}, svg, make('figcaption', {}, course.name));
	floors.append(figure);
	const floor = { id, figure, robots, posts, tape, marks: new Map(), here: [] };
	floor.things = thingsOf(course);
	svg.addEventListener('click', ({ clientX, clientY }) => {
		if (!tool) return;
		const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(
			drawing.getScreenCTM().inverse()
		);
		measure(floor, [x, y]);
	});
	return floor;
}

/** The line that straight pieces and curves make. Metres, degrees. */
function railPath([x, y], bearing, pieces) {
	let heading = ((90 - bearing) * Math.PI) / 180;
	let path = `M${x} ${y}`;
	const points = 12;
	for (const piece of pieces) {
		const turn = piece.radius === undefined ? 0 : (-piece.angle * Math.PI) / 180;
		const length = piece.radius === undefined ? piece.length : Math.abs(turn) * piece.radius;
		for (let i = 0; i < points; i++) {
			heading += turn / points / 2;
			x += (Math.cos(heading) * length) / points;
			y += (Math.sin(heading) * length) / points;
			heading += turn / points / 2;
			path += `L${x} ${y}`;
		}
	}
	return path;
}

function drawingOf(kind) {
	const lamps = [];
	let grid;
	const parts = drawings[kind].flatMap((part) => {
		if ('lamp' in part) {
			const bulb = make('circle', { cx: part.at[0], cy: part.at[1], r: part.radius });
			lamps.push([part.lamp, bulb]);
			return [bulb];
		}
		if ('grid' in part) {
			const lights = make('g');
			grid = { ...part, lights };
			return [lights];
		}
		return [make('path', { class: part.ink, d: part.path ?? part.pictures[0] })];
	});
	return { group: make('g', {}, ...parts), lamps, grid };
}

/** Lets a grid shine, as many lamps wide as it is high: its top is to the front, its left to the left. */
function shine({ at, side, lights }, lamps) {
	const count = Math.sqrt(lamps.length);
	const cell = side / count;
	if (lights.children.length !== lamps.length)
		lights.replaceChildren(
			...lamps.map((_, index) => {
				const [x, y] = [
					at[0] + side / 2 - cell * Math.floor(index / count),
					at[1] + side / 2 - cell * (index % count)
				];
				return make('rect', { x: x - cell, y: y - cell, width: cell, height: cell });
			})
		);
	for (const [index, lamp] of lamps.entries()) lights.children[index].setAttribute('fill', lamp);
}

function drawRobots(floor, robots) {
	for (const [id, { element }] of floor.marks) {
		if (robots.some((robot) => robot.id === id)) continue;
		element.remove();
		floor.marks.delete(id);
	}
	for (const robot of robots) {
		let mark = floor.marks.get(robot.id);
		if (!mark) {
			const { group, lamps, grid } = drawingOf(robot.kind);
			const name = make('text', { class: 'name', transform: 'translate(0 -0.2) scale(1 -1)' });
			const element = make('g', {}, group, name);
			mark = { element, group, lamps, grid, name };
			floor.marks.set(robot.id, mark);
			floor.robots.append(element);
		}
		mark.name.textContent = robot.name;
		mark.element.setAttribute('transform', `translate(${robot.at[0]} ${robot.at[1]})`);
		mark.group.setAttribute(
			'transform',
			`rotate(${(robot.heading * 180) / Math.PI}) scale(${1 + 0.3 * (robot.columns.height ?? 0)})`
		);
		const light = colour(robot.light);
		for (const [column, bulb] of mark.lamps)
			bulb.setAttribute('fill', light ?? colour(robot.columns[column]) ?? 'transparent');
		if (mark.grid) shine(mark.grid, robot.lamps ?? []);
	}
}

// --- robots ---

const cards = new Map();
const optionOf = ({ id, name }) => make('option', { value: id }, name);

function cardOf(robot, places) {
	const heading = make('h2');
	const state = make('p', { class: 'state' });
	const grid = make('span', { class: 'grid' });
	const lamp = make('span', { class: 'lamp', 'aria-hidden': 'true' }, grid);
	const shown = make('p', { class: 'shown' });
	const hands = make('div', { class: 'hands' });
	const card = make('li', { 'data-robot': robot.id }, lamp, heading, state, shown, hands);
	const buttons = new Map();
	const button = (name, values = {}) => {
		const element = make(
			'button',
			{ type: 'button', 'data-do': name },
			say(`yard.do.${name}`, values)
		);
		element.addEventListener('click', () => act({ do: name, robot: robot.id }));
		buttons.set(name, element);
		return element;
	};
	const degrees = make('input', {
		type: 'number',
		value: '90',
		'aria-label': say('yard.degrees')
	});
	const turn = make('button', { type: 'button', 'data-do': 'turn' }, say('yard.do.turn'));
	turn.addEventListener('click', () =>
		act({ do: 'turn', robot: robot.id, degrees: Number(degrees.value) })
	);
	const place = make('select', { 'aria-label': say('yard.do.carry') }, ...places.map(optionOf));
	const carry = make('button', { type: 'button', 'data-do': 'carry' }, say('yard.do.carry'));
	carry.addEventListener('click', () => act({ do: 'carry', robot: robot.id, to: place.value }));
	hands.append(
		...['switchOn', 'switchOff', 'wake', 'charge', 'unplug', 'takeFar', 'bringBack'].map((name) =>
			button(name)
		),
		...['hold', 'lift', 'letGo', 'update'].map((name) => button(name)),
		button('sendAway', { name: '' }),
		carry,
		place,
		turn,
		degrees
	);
	const pushes = [1, 2, 3, 4].map((place) => {
		const element = make(
			'button',
			{ type: 'button', 'data-do': `push-${place}` },
			say('yard.do.push', { place })
		);
		element.addEventListener('click', () => act({ do: 'push', robot: robot.id, place }));
		return element;
	});
	if (robot.hasEars) {
		const word = make('input', { value: 'ahoy', maxlength: '40', 'aria-label': say('yard.word') });
		const tell = make('button', { type: 'button', 'data-do': 'say' }, say('yard.do.say'));
		tell.addEventListener('click', () => act({ do: 'say', robot: robot.id, word: word.value }));
		hands.append(tell, word);
	}
	hands.prepend(...pushes);
	place.value = robot.room;
	list.append(card);
	return { card, heading, state, lamp, grid, shown, buttons, place };
}

function soundWords({ pitch, clip, name, text }) {
	if (text) return say('yard.says', { text });
	return clip
		? say('yard.plays', { name: name || say('yard.recording') })
		: say('yard.sounds', { pitch: Math.round(pitch) });
}

/** Which of the hands make sense. */
const senseOf = {
	switchOn: ({ power }) => power === 'off',
	switchOff: ({ power }) => power !== 'off',
	wake: ({ power }) => power === 'asleep',
	charge: ({ isCharging }) => !isCharging,
	unplug: ({ isCharging }) => isCharging,
	takeFar: ({ isFar }) => !isFar,
	bringBack: ({ isFar }) => isFar,
	hold: ({ hand }) => !hand,
	lift: ({ hand }) => !hand,
	letGo: ({ hand }) => Boolean(hand),
	update: ({ firmware }) => firmware === '0.9',
	sendAway: (robot) => Boolean(robot.with)
};

function show(robot, places) {
	const place = places.find(({ id }) => id === robot.room);
	if (!cards.has(robot.id)) cards.set(robot.id, cardOf(robot, places));
	const { heading, state, lamp, grid, shown, buttons, place: choice } = cards.get(robot.id);
	choice.append(...places.slice(choice.options.length).map(optionOf));
	heading.textContent = robot.name;
	const facts = [
		say(`yard.power.${robot.power}`),
		say('yard.battery', { percent: Math.round(robot.battery * 100) }),
		robot.isCharging && say('yard.charging'),
		robot.isFar && say('yard.far'),
		robot.hand && say(`yard.${robot.hand}`),
		robot.sounds && soundWords(robot.sounds),
		robot.firmware === '0.9' && say('yard.old', robot),
		robot.with && say('yard.with', { name: robot.with }),
		...robot.holds.map((held) => say('yard.holds', held)),
		robot.fault && say(`yard.fault.${robot.fault}`),
		say('yard.at', { place: place.name, bearing: Math.round(robot.bearing) })
	];
	state.textContent = facts.filter(Boolean).join(' · ');
	lamp.style.background = colour(robot.light) ?? '';
	grid.hidden = !robot.lamps;
	const lamps = robot.lamps ?? [];
	if (grid.children.length !== lamps.length) grid.replaceChildren(...lamps.map(() => make('span')));
	grid.style.gridTemplateColumns = `repeat(${Math.sqrt(lamps.length)}, 1fr)`;
	for (const [index, shines] of lamps.entries()) grid.children[index].style.background = shines;
	const signs = robot.signs?.join(' · ');
	shown.textContent = signs
		? say('yard.signs', { signs }) + (robot.hasScreen ? `, ${say('yard.screen', { signs })}` : '')
		: '';
	buttons.get('sendAway').textContent = say('yard.do.sendAway', { name: robot.with ?? '' });
	for (const [name, isSensible] of Object.entries(senseOf))
		buttons.get(name).hidden = !isSensible(robot);
}

// --- looking ---

async function look() {
	try {
		const { places, rooms, robots } = await (await fetch('/look')).json();
		for (const room of rooms) {
			const here = robots.filter((robot) => robot.room === room.id);
			if (!shownFloors.has(room.id)) shownFloors.set(room.id, floorOf(room));
			const floor = shownFloors.get(room.id);
			floor.here = here;
			floor.figure.hidden = here.length === 0;
			for (const [id, post] of floor.posts)
				post.classList.toggle('lit', room.litPosts.includes(id));
			drawRobots(floor, here);
		}
		for (const robot of robots) {
			show(robot, places);
			listen(robot);
		}
		trouble.hidden = true;
	} catch {
		trouble.textContent = say('yard.gone');
		trouble.hidden = false;
	}
}

async function keepLooking() {
	if (!document.hidden) await look();
	setTimeout(keepLooking, interval);
}
await keepLooking();
