/** What the keys of the trail do on a row. */
import { definitionOf } from '$core/steps/catalogue';
import { press, type Acts, type Shortcuts } from '$lib/ui/keys';
import type { Editing } from '$lib/workbench/editing.svelte';
import { carryKeys, chainKeys, tagKeys, walkKeys } from './key-table';
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

type ActsOf<T extends Shortcuts> = Acts<keyof T & string>;

/** Does what a key means on a row. */
export function onRowKey(event: KeyboardEvent, row: Row, index: number, hands: TrailHands): void {
	const { editing } = hands;
	const isDone = editing.moving.pickedUp
		? press(event, carryKeys, carrying(editing))
		: press(event, walkKeys, walking(row, index, hands)) ||
			press(event, chainKeys, forChains(row, hands)) ||
			press(event, tagKeys, { ...forAll(row, hands), ...forStep(row, hands) });
	if (!isDone) return;
	event.preventDefault();
	event.stopPropagation();
}

const carrying = ({ moving }: Editing): ActsOf<typeof carryKeys> => ({
	carry: [() => moving.carry(-1), () => moving.carry(1)],
	putDown: () => moving.putDown(),
	putBack: () => moving.putBack()
});

function walking(row: Row, index: number, hands: TrailHands): ActsOf<typeof walkKeys> {
	const { rows, focusRow, editing } = hands;
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
		walk: [() => go(index - 1), () => go(index + 1)],
		inOut: [
			() => (isOpen ? editing.fold(row.step.id) : outer()),
			() => (isFolded ? editing.fold(row.step.id) : go(index + 1))
		],
		ends: [() => go(0), () => go(rows.length - 1)],
		search: hands.search,
		nextProblem: () => {
			const ahead = [...rows.slice(index + 1), ...rows.slice(0, index + 1)];
			const next = ahead.find((other) => other.type !== 'bud' && other.problem);
			if (next) focusRow(next.key);
		},
		zoom: [() => hands.zoomBy(1.15), () => hands.zoomBy(1 / 1.15)],
		fit: hands.fit,
		help: () => hands.openHelp(row),
		clear: () => editing.selection.clear()
	};
}

const forChains = (row: Row, hands: TrailHands): ActsOf<typeof chainKeys> => ({
	newChain: () => hands.openTriggers(null),
	trigger: () => hands.openTriggers(hands.chainOf(row)),
	runAlone: () => hands.runAlone(hands.chainOf(row))
});

const forAll = (row: Row, hands: TrailHands): ActsOf<typeof tagKeys> => ({
	add: () => hands.openShelf(row),
	pickUp: () => hands.openShelf(row),
	value: () => hands.openValue(row),
	menu: () => hands.openMenu(row),
	comment: () => hands.openComment(row),
	off: () => {
		if (row.type === 'head' && row.trigger) hands.editing.switchOff(row.trigger.id);
	}
});

function forStep(row: Row, { editing, rows, focusRow }: TrailHands): ActsOf<typeof tagKeys> {
	if (row.type !== 'step') return {};
	const { id } = row.step;
	const { moving, selection } = editing;
	const remove = () => {
		const index = rows.indexOf(row);
		const next = rows.slice(index + 1).find((other) => other.level <= row.level) ?? rows[index - 1];
		editing.remove(id);
		if (next) focusRow(next.key);
	};
	return {
		pickUp: () => moving.pickUp(id),
		move: [() => moving.nudge(id, -1), () => moving.nudge(id, 1)],
		select: [() => selection.extend(id, -1), () => selection.extend(id, 1)],
		remove,
		duplicate: () => editing.duplicate(id),
		unwrap: () => editing.unwrap(id),
		fold: () => editing.fold(id),
		...(!definitionOf(row.step.kind).isBranch && {
			wrap: () => editing.wrap(id, 'repeat'),
			choose: () => editing.wrap(id, 'choose'),
			off: () => editing.switchOff(id),
			aside: () => void moving.moveTo(id, null)
		})
	};
}
