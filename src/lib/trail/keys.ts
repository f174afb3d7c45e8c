/** What the keys do on a row of the trail. The sheet in $lib/workbench/shortcuts lists them. */
import { definitionOf } from '$core/steps/catalogue';
import type { Editing } from '$lib/workbench/editing.svelte';
import type { Row } from './rows';

/** What the pane does for its keys. */
export interface TrailHands {
	readonly editing: Editing;
	readonly rows: readonly Row[];
	focusRow(key: string): void;
	openShelf(row: Row): void;
	openValue(row: Row): void;
	openMenu(row: Row): void;
	openComment(row: Row): void;
	openHelp(row: Row): void;
	openTriggers(chain: string | null): void;
	search(): void;
	zoomBy(factor: number): void;
	fit(): void;
	runAlone(chain: string): void;
	chainOf(row: Row): string;
}

export function onRowKey(event: KeyboardEvent, row: Row, index: number, hands: TrailHands): void {
	if (event.ctrlKey || event.metaKey) return;
	const { editing } = hands;
	const actions = event.altKey
		? row.type === 'step'
			? moving(editing, row.step.id)
			: {}
		: editing.moving.pickedUp
			? steering(editing)
			: event.shiftKey && row.type === 'step' && event.key.startsWith('Arrow')
				? selecting(editing, row.step.id)
				: { ...walking(row, index, hands), ...forAll(row, hands), ...forStep(row, hands) };
	const action = actions[event.key] ?? actions[event.key.toLowerCase()];
	if (!action) return;
	event.preventDefault();
	event.stopPropagation();
	action();
}

type Actions = Readonly<Record<string, () => void>>;

const moving = (editing: Editing, id: string): Actions => ({
	ArrowUp: () => editing.moving.nudge(id, -1),
	ArrowDown: () => editing.moving.nudge(id, 1)
});

const steering = (editing: Editing): Actions => ({
	ArrowDown: () => editing.moving.carry(1),
	ArrowUp: () => editing.moving.carry(-1),
	' ': () => editing.moving.putDown(),
	Enter: () => editing.moving.putDown(),
	Escape: () => editing.moving.putBack()
});

const selecting = (editing: Editing, id: string): Actions => ({
	ArrowDown: () => editing.selection.extend(id, 1),
	ArrowUp: () => editing.selection.extend(id, -1)
});

function walking(row: Row, index: number, { rows, focusRow, editing }: TrailHands): Actions {
	const go = (to: number) => {
		editing.selection.clear();
		focusRow(rows[Math.max(0, Math.min(rows.length - 1, to))]!.key);
	};
	const outer = () => {
		const before = rows.findLastIndex((other, at) => at < index && other.level < row.level);
		return go(
			before === -1 ? rows.findLastIndex(({ type }, at) => at < index && type === 'head') : before
		);
	};
	const isOpen = row.type === 'step' && row.step.body !== undefined && row.folded === 0;
	const isFolded = row.type === 'step' && row.folded > 0;
	return {
		ArrowDown: () => go(index + 1),
		ArrowUp: () => go(index - 1),
		ArrowLeft: () => (isOpen ? editing.fold(row.step.id) : outer()),
		ArrowRight: () => (isFolded ? editing.fold(row.step.id) : go(index + 1)),
		Home: () => go(0),
		End: () => go(rows.length - 1),
		Escape: () => editing.selection.clear(),
		p: () => {
			const ahead = [...rows.slice(index + 1), ...rows.slice(0, index + 1)];
			const next = ahead.find((other) => other.type !== 'bud' && other.problem);
			if (next) focusRow(next.key);
		}
	};
}

const forAll = (row: Row, hands: TrailHands): Actions => ({
	Enter: () => hands.openShelf(row),
	' ': () => hands.openShelf(row),
	e: () => hands.openValue(row),
	m: () => hands.openMenu(row),
	ContextMenu: () => hands.openMenu(row),
	h: () => hands.openHelp(row),
	c: () => hands.openComment(row),
	n: () => hands.openTriggers(null),
	t: () => hands.openTriggers(hands.chainOf(row)),
	r: () => hands.runAlone(hands.chainOf(row)),
	'/': () => hands.search(),
	'+': () => hands.zoomBy(1.15),
	'-': () => hands.zoomBy(1 / 1.15),
	'0': () => hands.fit(),
	o: () => {
		if (row.type === 'head' && row.trigger) hands.editing.switchOff(row.trigger.id);
	}
});

function forStep(row: Row, { editing, rows, focusRow }: TrailHands): Actions {
	if (row.type !== 'step') return {};
	const { id } = row.step;
	const { isBranch } = definitionOf(row.step.kind);
	const remove = () => {
		const index = rows.indexOf(row);
		const next = rows.slice(index + 1).find((other) => other.level <= row.level) ?? rows[index - 1];
		editing.remove(id);
		if (next) focusRow(next.key);
	};
	return {
		' ': () => editing.moving.pickUp(id),
		Delete: remove,
		Backspace: remove,
		d: () => editing.duplicate(id),
		u: () => editing.unwrap(id),
		f: () => editing.fold(id),
		...(isBranch
			? {}
			: {
					w: () => editing.wrap(id, 'repeat'),
					i: () => editing.wrap(id, 'choose'),
					o: () => editing.switchOff(id),
					s: () => void editing.moving.moveTo(id, null)
				})
	};
}
