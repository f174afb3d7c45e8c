<script lang="ts">
	/** All figures of one leg: what it meant beside what it did, and how it began. */
	import type { Leg } from '$core/attempts/legs';
	import { leastRoom } from '$core/attempts/room';
	import type { Course } from '$core/course/course';
	import type { Attempt, RobotRun } from '$core/simulation/attempt';
	import { bearingOfHeading, degrees } from '$core/units/angles';
	import { t } from '$lib/i18n';
	import { showNumber, showSpeed } from '$lib/words/format';

	let {
		leg,
		run,
		attempt,
		course,
		topSpeed
	}: {
		leg: Leg;
		run: RobotRun;
		/** All of it: crates and other robots are met, too. */
		attempt: Attempt;
		course: Course;
		/** m/s */
		topSpeed: number;
	} = $props();

	/** Metres of height from which one flies. */
	const seenHeight = 0.005;

	const length = (ahead: number, left: number) => showNumber('length', Math.hypot(ahead, left));
	const leastTurn = 0.001;
	const turn = (radians: number) =>
		Math.abs(radians) < leastTurn
			? showNumber('angle', 0)
			: t(radians < 0 ? 'legs.card.toRight' : 'legs.card.toLeft', {
					angle: showNumber('angle', Math.abs(degrees(radians)))
				});
	const bearing = (heading: number) => showNumber('angle', bearingOfHeading(heading));
	const rows = $derived.by(() => {
		const { did, meant, span } = leg;
		const ways: readonly (readonly [string, (way: typeof did) => string])[] = [
			['length', ({ ahead, left }) => length(ahead, left)],
			['turn', (way) => turn(way.turn)],
			['bearing', (way) => bearing(span.from.heading + way.turn)],
			['seconds', ({ seconds }) => showNumber('duration', seconds)],
			['rise', ({ up }) => showNumber('length', up)]
		];
		const flies = [did, meant ?? did].some(({ up }) => Math.abs(up) > seenHeight);
		return ways
			.filter(([name]) => name !== 'rise' || flies)
			.map(([name, say]) => ({ name, meant: meant ? say(meant) : '–', did: say(did) }));
	});
	const room = $derived(leastRoom(run, leg.span, course, attempt));
	const facts = $derived([
		t('legs.card.speed', { speed: showSpeed(Math.abs(leg.speedAtStart) / topSpeed) }),
		t('legs.card.turning', { angle: showNumber('angle', Math.abs(degrees(leg.turningAtStart))) }),
		...(room
			? [
					t('legs.card.room', {
						what: t(`legs.card.against.${room.to}`),
						length: showNumber('length', Math.max(0, room.length))
					})
				]
			: []),
		...leg.bumps.map(({ against, time }) =>
			t('legs.card.met', { what: t(`legs.card.against.${against}`), time: time.toFixed(1) })
		)
	]);
</script>

<div class="card" data-testid="leg-card">
	<table>
		<thead>
			<tr>
				<td></td>
				{#each rows as { name } (name)}<th scope="col">{t(`legs.card.${name}`)}</th>{/each}
			</tr>
		</thead>
		<tbody>
			{#each ['meant', 'did'] as const as which (which)}
				<tr>
					<th scope="row">{t(`legs.card.${which}`)}</th>
					{#each rows as row (row.name)}<td>{row[which]}</td>{/each}
				</tr>
			{/each}
		</tbody>
	</table>
	<p>{facts.join(' · ')}</p>
</div>

<style>
	.card {
		padding: 0 1rem 0.5rem;
	}
	table {
		font-size: 0.88rem;
		font-variant-numeric: tabular-nums;
	}
	th,
	td {
		padding: 0.1rem 0.9rem 0.1rem 0;
		font-weight: 400;
		text-align: left;
	}
	thead th,
	p {
		color: var(--ink-soft);
		font-size: 0.82rem;
	}
	tbody tr:last-child td {
		font-weight: 650;
	}
	@media (max-width: 560px) {
		.card {
			padding: 0 0 0.4rem;
		}
		th,
		td {
			padding-right: 0.4rem;
			font-size: 0.8rem;
		}
	}
</style>
