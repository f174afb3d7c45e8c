<script lang="ts">
	/** Makes a maze by a few wishes, and shows it before it is kept. */
	import Dices from '@lucide/svelte/icons/dices';
	import { untrack } from 'svelte';
	import { replacing } from '$core/course/editing/lay';
	import { difficultyOf, mazeMakings, type Maze, type MazeWish } from '$core/course/search/maze';
	import { mazeShapes } from '$core/course/search/maze-cells';
	import { say, t } from '$lib/i18n';
	import TitledDialog from '$lib/ui/TitledDialog.svelte';
	import { showNumber } from '$lib/words/format';
	import type { CourseBench } from './course-bench.svelte';
	import CourseView from './CourseView.svelte';
	import type { CourseHelp } from './course-help.svelte';
	import NumberField from './NumberField.svelte';

	let { bench, help, onclose }: { bench: CourseBench; help: CourseHelp; onclose: () => void } =
		$props();

	const most = 40;
	let shape = $state<MazeWish['shape']>('square');
	let making = $state<MazeWish['making']>('wall');
	let columns = $state(6);
	let rows = $state(4);
	let side = $state(0.35);
	let slant = $state(0);
	let loops = $state(0);
	let branching = $state(0.2);
	let seed = $state(untrack(() => Math.floor(Math.random() * 10_000)));
	let maze = $state.raw<Maze | null>(null);
	let fault = $state('');

	const wish = $derived<MazeWish>({
		...{ name: bench.course.name, shape, making, columns, rows, side, slant, loops, branching },
		...{ seed, thickness: 0.02 }
	});

	$effect(() => {
		const asked = wish;
		void help.maze(asked).then((made) => {
			if (asked !== wish) return;
			fault = made.ok ? '' : say(made.failure);
			if (made.ok) maze = made.value;
		});
	});

	function keep() {
		if (!maze) return;
		bench.desk.edit(replacing(bench.course, maze.course), t('course.maze.kept'));
		bench.choose('select');
		bench.select([], false);
		onclose();
	}

	const sideFigure = { quantity: 'length', minimum: 0.05, maximum: 3 } as const;
	const slantFigure = { quantity: 'angle', minimum: -180, maximum: 180 } as const;
</script>

<TitledDialog title={t('course.maze')} width={56} {onclose}>
	<div class="both">
		<div class="wishes">
			<label>
				{t('course.maze.shape')}
				<select class="field" bind:value={shape}>
					{#each mazeShapes as each (each)}
						<option value={each}>{t(`course.maze.shape.${each}`)}</option>
					{/each}
				</select>
			</label>
			<label>
				{t('course.maze.making')}
				<select class="field" bind:value={making}>
					{#each mazeMakings as each (each)}
						<option value={each}>{t(`course.maze.making.${each}`)}</option>
					{/each}
				</select>
			</label>
			<label>
				{t('course.maze.columns')}
				<input class="field" type="number" min="2" max={most} bind:value={columns} />
			</label>
			<label>
				{t('course.maze.rows')}
				<input class="field" type="number" min="2" max={most} bind:value={rows} />
			</label>
			<NumberField
				label={t('course.maze.side')}
				figure={sideFigure}
				value={side}
				onset={(to) => (side = to)}
			/>
			<NumberField
				label={t('course.maze.slant')}
				figure={slantFigure}
				value={slant}
				onset={(to) => (slant = to)}
			/>
			<label>
				{t('course.maze.loops')}
				<input type="range" min="0" max="0.5" step="0.05" bind:value={loops} />
			</label>
			<label>
				{t('course.maze.branching')}
				<input type="range" min="0" max="1" step="0.1" bind:value={branching} />
			</label>
			<label>
				{t('course.maze.seed')}
				<input class="field" type="number" min="0" max="999999" bind:value={seed} />
			</label>
			<button
				class="button button-line another"
				onclick={() => (seed = Math.floor(Math.random() * 10_000))}
				><Dices size={18} />{t('course.maze.another')}</button
			>
		</div>
		<div class="shown">
			{#if maze}
				{@const { width, height } = maze.course.size}
				<CourseView course={maze.course} label={t('course.maze.picture')} />
				<p role="status">
					<strong>{t(`course.maze.${difficultyOf(maze.figures)}`)}</strong>
					{t('course.maze.figures', {
						...maze.figures,
						length: showNumber('length', maze.figures.length),
						width: showNumber('length', width),
						height: showNumber('length', height)
					})}
				</p>
			{/if}
			{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
		</div>
	</div>
	<p class="note">{t('course.maze.replaces')}</p>
	<button class="button button-main" disabled={!maze || fault !== ''} onclick={keep}
		>{t('course.maze.keep')}</button
	>
</TitledDialog>

<style>
	.wishes {
		display: grid;
		grid-template-columns: 1fr 1fr;
		align-content: start;
		gap: 0.5rem 0.7rem;
	}
	label {
		display: grid;
		align-content: start;
		font-size: 0.85rem;
	}
	.field {
		width: 100%;
		min-height: 2.5rem;
	}
	input[type='range'] {
		width: 100%;
		min-height: 2.5rem;
		accent-color: var(--verdigris);
	}
	.another {
		align-self: end;
	}
	.note {
		color: var(--ink-soft);
		font-size: 0.85rem;
	}
</style>
