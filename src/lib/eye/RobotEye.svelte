<script lang="ts">
	/** What the robot's camera sees of the course: small in a corner of the floor, or filling it. */
	import './words';
	import Maximize2 from '@lucide/svelte/icons/maximize-2';
	import Minimize2 from '@lucide/svelte/icons/minimize-2';
	import X from '@lucide/svelte/icons/x';
	import { PerspectiveCamera, WebGLRenderer } from 'three';
	import type { Course } from '$core/course/course';
	import { robotKindOf } from '$core/robots/kinds';
	import { t } from '$lib/i18n';
	import { lookOf, sceneOf, type CourseScene } from './course-scene';

	let {
		course,
		kind,
		name,
		pose,
		columns,
		lit,
		crates,
		onclose
	}: {
		course: Course;
		kind: string;
		name: string;
		pose: { readonly x: number; readonly y: number; readonly heading: number };
		/** The figures of the moment that is shown. */
		columns: Readonly<Record<string, number>>;
		lit: ReadonlySet<string>;
		crates: Parameters<CourseScene['update']>[1];
		onclose: () => void;
	} = $props();

	/** Metres from the feet of a robot to its camera; degrees that it sees, up and down. */
	const eyeHeight = 0.06;
	const angle = 62;

	let canvas = $state<HTMLCanvasElement>();
	let width = $state(320);
	let height = $state(200);
	let isLarge = $state(false);
	let hasFailed = $state(false);

	const camera = new PerspectiveCamera(angle, 1.6, 0.01, 80);
	camera.rotation.order = 'YXZ';
	let renderer = $state.raw<WebGLRenderer>();
	const made = $derived(sceneOf(course));
	/** Metres from its middle to its front. */
	const ahead = $derived(Math.max(...robotKindOf(kind).outline.map(([x]) => x)));

	$effect(() => {
		if (!canvas) return;
		let own: WebGLRenderer;
		try {
			own = new WebGLRenderer({ canvas, antialias: true });
		} catch {
			// A device without WebGL has no such view; everything else goes on.
			hasFailed = true;
			return;
		}
		renderer = own;
		return () => {
			own.dispose();
			renderer = undefined;
		};
	});

	$effect(() => {
		if (!renderer) return;
		renderer.setPixelRatio(Math.min(2, devicePixelRatio));
		renderer.setSize(width, height, false);
		camera.aspect = width / Math.max(1, height);
		camera.updateProjectionMatrix();
		const { yaw, pitch, roll } = lookOf(pose.heading, columns.pitch, columns.roll);
		camera.position.set(
			pose.x + ahead * Math.cos(pose.heading),
			eyeHeight + (columns.height ?? 0),
			-pose.y - ahead * Math.sin(pose.heading)
		);
		camera.rotation.set(pitch, yaw, roll);
		made.update(lit, crates);
		renderer.render(made.scene, camera);
	});
</script>

<figure class="eye" class:large={isLarge} aria-label={t('eye.label', { name })}>
	<div class="glass" bind:clientWidth={width} bind:clientHeight={height}>
		<canvas bind:this={canvas}></canvas>
		{#if hasFailed}<p>{t('eye.failed')}</p>{/if}
	</div>
	<figcaption>
		<span>{t('eye.label', { name })}</span>
		<button
			class="button button-plain button-icon"
			aria-label={t(isLarge ? 'eye.smaller' : 'eye.larger')}
			title={t(isLarge ? 'eye.smaller' : 'eye.larger')}
			onclick={() => (isLarge = !isLarge)}
			>{#if isLarge}<Minimize2 size={18} />{:else}<Maximize2 size={18} />{/if}</button
		>
		<button
			class="button button-plain button-icon"
			aria-label={t('eye.close')}
			title={t('eye.close')}
			onclick={onclose}><X size={18} /></button
		>
	</figcaption>
</figure>

<style>
	.eye {
		position: absolute;
		right: 0.75rem;
		bottom: 4.2rem;
		display: flex;
		flex-direction: column;
		width: min(20rem, 60%);
		overflow: hidden;
		border: 1px solid var(--line);
		border-radius: 0.7rem;
		background: var(--tag);
		box-shadow: var(--shadow);
	}
	.large {
		inset: 0.75rem 0.75rem 4.2rem;
		width: auto;
	}
	.glass {
		position: relative;
		flex: 1;
		min-height: 12rem;
	}
	canvas {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	p {
		position: relative;
		padding: 1rem;
	}
	figcaption {
		display: flex;
		align-items: center;
		padding-left: 0.7rem;
		font-size: 0.88rem;
	}
	figcaption span {
		flex: 1;
	}
</style>
