/** What lies on the floor of a plan as a picture for paper: ways, legs by their numbers, marks by hand. */
import './words';
import { recordedAt, type Mark } from '$core/attempts/marks';
import { helpersOffIn } from '$core/helpers';
import type { Attempt, RobotRun } from '$core/simulation/attempt';
import { rehearseIdeally } from '$lib/desk/rehearser';
import { download } from '$lib/files/downloads';
import { placeLabels } from '$lib/floor/labels';
import { pictureOf, type DrawOver } from '$lib/floor/picture';
import { t } from '$lib/i18n';
import { movingLegs } from '$lib/timeline/progress';
import type { Workbench } from '$lib/workbench/workbench.svelte';

interface OnFloor {
	readonly attempt: Attempt;
	/** Attempts that lie over it, each with its letter. */
	readonly laid: readonly { readonly letter: string; readonly attempt: Attempt }[];
	/** An ideal robot's; null where it is not shown. */
	readonly intended: Attempt | null;
	readonly marks: readonly Mark[];
}

/** Pixels. */
const width = 1600;
const line = 5;
const badge = 20;
/** By how much larger numbers are than on the screen. */
const zoom = 2;
const inks = { way: '#0b6b5f', dark: '#16213a', tag: '#fffdf6' };
/** Of the robots, then of those that lie over each other: told apart without colour, too. */
const dashes = [[], [18, 8], [4, 8], [18, 8, 4, 8]];

/** Gives it to the person as a file. */
export async function saveFloor(bench: Workbench): Promise<void> {
	const { course, plan, player, runs, leaves } = bench;
	const { attempt } = player;
	if (!attempt) return;
	const isOff = helpersOffIn(plan, course).includes('intended');
	const intended = runs.made && !isOff ? await rehearseIdeally({ ...runs.made, course }) : null;
	const laid = leaves.opened.attempts?.laid ?? [];
	const blob = await pictureOf(
		course,
		width,
		draw({ attempt, laid, intended, marks: leaves.marks })
	);
	download(`${plan.name}, ${t('chart.floor')}`, 'png', blob);
}

const draw =
	({ attempt, laid, intended, marks }: OnFloor): DrawOver =>
	(context, scale, height) => {
		const place = (x: number, y: number) => [x * scale, height - y * scale] as const;
		const way = ({ trace: { x, y } }: RobotRun, dash: readonly number[], thick: number) => {
			context.setLineDash([...dash]);
			context.lineWidth = thick;
			context.beginPath();
			x.forEach((_, i) => context.lineTo(...place(x[i]!, y[i]!)));
			context.stroke();
		};
		/** @param at the middle, pixels @param wide pixels */
		const tag = (text: string, [x, y]: readonly [number, number], wide: number) => {
			context.setLineDash([]);
			context.lineWidth = 2;
			context.beginPath();
			context.roundRect(x - wide / 2, y - badge, wide, 2 * badge, badge);
			context.fillStyle = inks.tag;
			context.fill();
			context.stroke();
			context.fillStyle = inks.dark;
			context.fillText(text, x, y + 1);
		};
		Object.assign(context, { lineJoin: 'round', textAlign: 'center', textBaseline: 'middle' });
		context.font = `600 ${badge + 2}px sans-serif`;
		context.strokeStyle = inks.dark;
		for (const run of intended?.runs ?? []) way(run, [6, 6], 2);
		context.strokeStyle = inks.way;
		for (const [i, { attempt }] of laid.entries())
			for (const run of attempt.runs) way(run, dashes[(i + 1) % dashes.length]!, line / 2);
		for (const [i, run] of attempt.runs.entries()) way(run, dashes[i % dashes.length]!, line);
		const ends = attempt.runs.flatMap(({ id }) =>
			movingLegs(attempt, id).map(({ number, stepId, to }) => {
				const [x, y] = place(to.x, to.y);
				return { x: x / zoom, y: y / zoom, number, stepId };
			})
		);
		for (const { text, x, y, at, width } of placeLabels(ends))
			if (at) tag(text, [(x + at.x) * zoom, (y + at.y) * zoom], width * zoom);
		for (const { letter, attempt } of laid)
			for (const { trace } of attempt.runs) {
				const [x, y] = place(trace.x.at(-1)!, trace.y.at(-1)!);
				tag(letter, [x - 2 * badge, y + 2 * badge], 2 * badge);
			}
		context.strokeStyle = inks.dark;
		for (const mark of marks) cross(context, mark, attempt, place);
	};

/** Where it stood, and a line to where it reckoned to be. */
function cross(
	context: CanvasRenderingContext2D,
	{ robot, after, at }: Mark,
	attempt: Attempt,
	place: (x: number, y: number) => readonly [number, number]
): void {
	const run = attempt.runs.find(({ id }) => id === robot);
	const pose = run && recordedAt(attempt, run, after);
	if (!at || !pose) return;
	const [x, y] = place(at[0], at[1]);
	context.setLineDash([]);
	context.lineWidth = 3;
	context.beginPath();
	context.moveTo(x - badge, y);
	context.lineTo(x + badge, y);
	context.moveTo(x, y - badge);
	context.lineTo(x, y + badge);
	context.moveTo(x, y);
	context.lineTo(...place(pose.x, pose.y));
	context.stroke();
}
