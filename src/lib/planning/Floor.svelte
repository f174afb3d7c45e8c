<script lang="ts">
	/** The pane that shows the course and the robot. */
	import Eye from '@lucide/svelte/icons/eye';
	import Hand from '@lucide/svelte/icons/hand';
	import { untrack } from 'svelte';
	import { MediaQuery } from 'svelte/reactivity';
	import { headingOfBearing } from '$core/units/angles';
	import { flying } from '$core/devices/flying/device';
	import { robotKindOf } from '$core/robots/kinds';
	import { canDo } from '$core/robots/robot';
	import { startPlaces } from '$core/world/start-places';
	import { t } from '$lib/i18n';
	import { preferences } from '$lib/preferences.svelte';
	import type { Workbench } from '$lib/workbench/workbench.svelte';
	import CourseDrawing from '$lib/floor/CourseDrawing.svelte';
	import StandingRobot from '$lib/floor/StandingRobot.svelte';
	import { lettersOf } from '$lib/floor/letters';
	import Trace from '$lib/floor/Trace.svelte';
	import { hasVoice, waitsForTouch } from './asked-for';
	import FloorPane from '$lib/floor/FloorPane.svelte';
	import { FloorWindow } from '$lib/floor/floor-window.svelte';
	import { besideNews, besidePanel, cratesAt, fit } from '$lib/floor/view';
	import FloorLegend from './FloorLegend.svelte';
	import News from './News.svelte';
	import Readings from './Readings.svelte';

	let { bench, onleg }: { bench: Workbench; onleg: (stepId: string) => void } = $props();

	/** What the robot sees is shown, too. */
	let isEyeOpen = $state(false);
	let width = $state(800);
	let height = $state(500);

	/** Pixels, with the scale below and the margins: of the heights, and of a few figures. */
	const stripWidth = 112;
	const fewFigures = { width: 200, height: 165 };
	/** Of what is said of an attempt, and on a phone of the figures under it. */
	const aboveCourse = { news: 56, both: 176 };

	const course = $derived(bench.course);
	const player = $derived(bench.player);
	/** Pixels that the figures of all sensors take up. */
	let taken = $state.raw({ left: 0, top: 0 });
	const isNarrow = new MediaQuery('max-width: 560px');
	const isFurther = $derived(preferences.level !== 'first');
	/** Room for a few figures, whether they are there yet or not: nothing moves when they come. */
	const hasCorner = $derived(isFurther && !isNarrow.current);
	const canFly = (kind: string) => canDo(robotKindOf(kind), [flying]);
	/** Some robot can fly, whether it does at this moment or not. */
	const isHighSeen = $derived(bench.plan.robots.some(({ kind }) => canFly(kind)));
	const placed = $derived.by(() => {
		const space = height - taken.top;
		const strip = isHighSeen && !isNarrow.current ? stripWidth : 0;
		const whole = fit(course, width - taken.left - strip, space);
		const corner = hasCorner && taken.left === 0 ? fewFigures : undefined;
		const beside = corner ? besidePanel(whole, space, corner) : whole;
		const hasBoth = isNarrow.current && isFurther && taken.top === 0;
		const above = hasBoth ? aboveCourse.both : aboveCourse.news;
		const { view, place } = besideNews(beside, course, { height: space, above }, corner);
		return { base: { ...view, x: view.x + taken.left, y: view.y + taken.top }, place };
	});
	const view = new FloorWindow(() => placed.base, isForFloor);
	const { scale } = $derived(view);
	const laid = $derived(bench.leaves.opened.attempts?.laid ?? []);
	const letters = $derived(laid.length > 0 ? lettersOf(laid, player.attempt, scale) : []);
	/** A number of its own: edits that leave it as it is seek no places anew. */
	const crewSize = $derived(bench.plan.robots.length);
	const starts = $derived(startPlaces(course, crewSize));
	/** Each robot where it is at the moment that is shown, or on its start mark. */
	const robots = $derived(
		bench.plan.robots.map((robot, index) => {
			const { at, bearing } = starts[index]!;
			const standing = {
				x: at[0],
				y: at[1],
				heading: headingOfBearing(bearing),
				columns: {} as Readonly<Record<string, number>>,
				picture: undefined
			};
			const driven = bench.live?.drivenPose(robot.id);
			return { ...robot, pose: driven ?? player.samples[robot.id] ?? standing };
		})
	);
	const flyers = $derived(
		robots
			.filter(({ kind }) => canFly(kind))
			.map(({ id, name, pose }) => ({ id, name, height: pose.columns.height ?? 0 }))
	);
	const isCrew = $derived(crewSize > 1);
	/** Where robots are is what they say themselves. */
	const isReckoned = $derived(
		player.attempt?.source.type === 'run' || bench.live?.panel === 'drive'
	);
	const reached = $derived(
		new Set(
			player.attempt?.outcome.lampPosts
				.filter((post) => post.time <= player.time)
				.map((post) => post.id)
		)
	);
	const crates = $derived(cratesAt(player.attempt, player.time));
	const summary = $derived(
		t('floor.summary', {
			course: course.name,
			width: course.size.width,
			height: course.size.height,
			walls: course.walls.length,
			posts: course.lampPosts.length
		})
	);

	/** A leg that is looked at is shown near, and then all of the floor again. */
	let isNear = false;
	$effect(() => {
		const refining = bench.leaves.opened.legs;
		const leg = refining?.chosen;
		untrack(() => {
			if (leg) view.showAround(refining!.around(leg));
			else if (isNear) view.fitAll();
			isNear = Boolean(leg);
		});
	});

	/** Whether a press, a finger or the wheel moves the floor: not what turns a robot's drawing. */
	function isForFloor(event: MouseEvent | TouchEvent): boolean {
		const isOther = 'button' in event && event.button !== 0;
		const isZoom = event.type === 'wheel';
		const isGrip = (event.target as Element).closest('[data-grip]') !== null;
		return (!event.ctrlKey || isZoom) && !isOther && (isZoom || !isGrip);
	}

	/** Which way a robot went that is being lined up, or where it stands after a run. */
	function point(event: MouseEvent) {
		if (bench.live?.lining.robot) bench.live.point(...view.toMetres(event));
		else if (isMarking) bench.leaves.opened.truth!.tap(view.toMetres(event));
	}

	/** A tap says where the robot stands. */
	const isMarking = $derived(
		bench.leaves.opened.truth?.way === 'tap' &&
			bench.leaves.canBeMarked &&
			(!bench.runs.isLive || Boolean(bench.live?.told.held))
	);
	/** Steps of a key to the east and to the north, while somebody says where a robot stands. */
	const moves: Readonly<Record<string, readonly [number, number]>> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, 1],
		ArrowDown: [0, -1]
	};
	/** Degrees of a key, while a robot is lined up. */
	const turns: Readonly<Record<string, number>> = { ArrowLeft: -5, ArrowRight: 5 };

	function onkeydown(event: KeyboardEvent) {
		const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
		const turned = isPlain && bench.live?.lining.robot ? turns[event.key] : undefined;
		if (turned) {
			bench.live?.lining.turnFront(turned);
			return event.preventDefault();
		}
		const moved = isPlain && isMarking ? moves[event.key] : undefined;
		if (moved) {
			bench.leaves.opened.truth?.move(...moved, event.shiftKey);
			return event.preventDefault();
		}
		if (view.key(event)) event.preventDefault();
	}
</script>

<FloorPane
	label={t('floor.label', { course: course.name })}
	{view}
	bind:width
	bind:height
	cursor={bench.live?.lining.robot || isMarking ? 'crosshair' : 'grab'}
	role={bench.leaves.opened.legs?.nudging?.leg ? 'group' : 'img'}
	aria-label="{summary} {t('floor.help')}"
	{onkeydown}
	onclick={point}
>
	<CourseDrawing {course} {reached} {crates} {starts} />
	{#if bench.runs.previous}
		{#each bench.runs.previous.runs as run (run.id)}
			<Trace {run} {scale} isBefore isReckoned={bench.runs.previous.source.type === 'run'} />
		{/each}
	{/if}
	{#if laid.length > 0}
		{#await import('$lib/floor/LaidTraces.svelte') then { default: LaidTraces }}
			<LaidTraces {laid} {letters} parting={bench.leaves.comparing?.comparison?.parting} {scale} />
		{/await}
	{/if}
	{#if bench.leaves.opened.legs && player.attempt}
		{#await import('$lib/floor/IntendedWay.svelte') then { default: IntendedWay }}
			{@const { intended, chosen, off } = bench.leaves.opened.legs}
			{#if !off.includes('intended')}<IntendedWay
					{intended}
					leg={chosen}
					run={player.run}
					{scale}
				/>{/if}
		{/await}
	{/if}
	{#if player.attempt}
		{#each player.attempt.runs as run, index (run.id)}
			<Trace {run} {index} until={player.index} {scale} {isReckoned} />
		{/each}
	{/if}
	{#each robots as { id, kind, name, pose }, index (id)}
		<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
		<g
			transform="translate({pose.x},{pose.y})"
			data-testid={index === 0 ? 'robot' : `robot-${id}`}
			class:touchable={player.isPlaying || isCrew}
			onclick={() => (player.isPlaying ? bench.runs.touchRobot(id) : bench.show(id))}
		>
			<!-- What a finger can hit. -->
			<circle r="0.11" fill="transparent" />
			{#if !bench.live?.isTurnedByHand(id)}
				<g class:reckoned={isReckoned}>
					<StandingRobot {kind} {pose} columns={pose.columns} picture={pose.picture} />
				</g>
			{/if}
			{#if isCrew}
				<g transform="scale({1 / scale},{-1 / scale}) translate(0,{0.1 * scale + 14})">
					<text class="name" class:shown={id === bench.robot.id}>{name}</text>
				</g>
			{/if}
		</g>
	{/each}
	{#if bench.leaves.opened.model}
		{#await import('$lib/floor/ModelWays.svelte') then { default: ModelWays }}
			<ModelWays ways={bench.leaves.opened.model?.ways.shown} {scale} />
		{/await}
	{/if}
	{#if bench.leaves.opened.spread}
		{#await import('$lib/floor/SpreadMarks.svelte') then { default: SpreadMarks }}
			<SpreadMarks
				spread={bench.leaves.opened.spread.spread}
				{scale}
				onopen={(seed) => void bench.runs.rehearse(undefined, seed)}
			/>
		{/await}
	{/if}
	{#if player.attempt && (bench.leaves.marks.length > 0 || bench.leaves.opened.truth)}
		{#await import('$lib/floor/Marks.svelte') then { default: Marks }}
			{@const { marks, opened } = bench.leaves}
			{@const { truth } = opened}
			<Marks
				{marks}
				draft={truth?.draft ?? null}
				points={truth?.way === 'tapes' ? truth.points : []}
				tapes={truth?.tapes ?? []}
				attempt={player.attempt}
				{scale}
			/>
		{/await}
	{/if}
	{#if bench.live?.lining.robot}
		{#await import('$lib/live/FrontMark.svelte') then { default: FrontMark }}
			<FrontMark live={bench.live} toMetres={(event) => view.toMetres(event)} />
		{/await}
	{/if}
	{#if player.attempt}
		{#await import('$lib/floor/LegEnds.svelte') then { default: LegEnds }}
			<LegEnds attempt={player.attempt} time={player.time} {scale} {letters} {onleg} />
		{/await}
	{/if}
	{#if bench.leaves.opened.legs?.nudging}
		{#await import('$lib/leaves/NudgeOnFloor.svelte') then { default: NudgeOnFloor }}
			{@const { nudging } = bench.leaves.opened.legs}
			{#if nudging}<NudgeOnFloor
					{bench}
					{nudging}
					{scale}
					toMetres={(event) => view.toMetres(event)}
				/>{/if}
		{/await}
	{/if}

	{#snippet over()}
		{#if isHighSeen}
			{#await import('$lib/floor/HeightStrip.svelte') then { default: HeightStrip }}
				<HeightStrip {course} {flyers} />
			{/await}
		{/if}
		<Readings {bench} bind:taken />
		<News {bench} place={placed.place} />
		{#if hasVoice(bench.plan)}
			{#await import('$lib/voice/Voice.svelte') then { default: Voice }}
				<Voice {bench} />
			{/await}
		{/if}
		{#if isEyeOpen}
			{#await import('$lib/eye/RobotEye.svelte') then { default: RobotEye }}
				{@const { kind, name, pose } = robots.find(({ id }) => id === bench.robot.id) ?? robots[0]!}
				<RobotEye
					{course}
					{kind}
					{name}
					{pose}
					{crates}
					columns={pose.columns}
					lit={reached}
					onclose={() => (isEyeOpen = false)}
				/>
			{/await}
		{/if}
	{/snippet}
	{#snippet said()}
		<FloorLegend {bench} {isReckoned} />
	{/snippet}
	{#snippet buttons()}
		{#if player.isPlaying && waitsForTouch(bench.plan, player.run)}
			<button class="button button-line touch" onclick={() => bench.runs.touchRobot(bench.robot.id)}
				><Hand size={18} />{t('floor.touch')}</button
			>
		{/if}
		<button
			class="button button-line button-icon"
			aria-label={t('floor.eye')}
			title={t('floor.eye')}
			aria-pressed={isEyeOpen}
			onclick={() => (isEyeOpen = !isEyeOpen)}><Eye size={19} /></button
		>
	{/snippet}
</FloorPane>

<style>
	.touchable {
		cursor: pointer;
	}
	.reckoned {
		opacity: 0.66;
	}
	.name {
		fill: var(--ink);
		stroke: var(--paper-deep);
		stroke-width: 4px;
		paint-order: stroke;
		font-size: 13px;
		text-anchor: middle;
	}
	.name.shown {
		font-weight: 700;
	}
</style>
