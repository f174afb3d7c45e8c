/** Examples of what decides, repeats, counts, calls and begins. */
import type { Chain, Step } from '../plan/plan';
import {
	amber,
	blue,
	chain,
	coral,
	course,
	e,
	edge,
	go,
	lamp,
	patch,
	post,
	right,
	run,
	step,
	wallAhead,
	type Examples
} from './making';

const choice = (): Step =>
	step('choose', {}, [
		step('when', { condition: e('floorColour == blue') }, [lamp(blue)]),
		step('otherwise', {}, [lamp(amber)])
	]);

const sides = (): Step =>
	step('together', {}, [
		step('side', {}, [go(0.4)]),
		step('side', {}, [step('melody', { notes: 'C4 E4 G4' })])
	]);

const list = (...changes: Step[]): Chain =>
	run(
		step('newList', { variable: 'ways' }),
		step('addItem', { value: 0.2, variable: 'ways' }),
		step('addItem', { value: 0.3, variable: 'ways' }),
		...changes,
		step('go', { distance: e('item(ways, 2) * m') })
	);

const routine = (): Chain[] => [
	run(step('repeat', { times: 4 }, [step('call', { routine: 'side', long: 0.2 })])),
	chain(
		step('routine', { name: 'side', inputs: 'long' }),
		step('go', { distance: e('long * m') }),
		right()
	)
];

export const deciding: Examples = {
	wait: (values) => ({ chains: [run(go(0.2), step('wait', values), go(0.2))] }),
	repeat: (values) => ({
		chains: [run(step('repeat', values, [go(0.2), right()]))],
		on: course({ starts: [{ at: [0.35, 0.4], bearing: 90 }] })
	}),
	waitUntil: (values) => ({
		chains: [run(step('start'), step('waitUntil', values), step('stop'))],
		on: wallAhead
	}),
	forever: (values) => ({
		chains: [
			run(
				step('forever', values, [
					lamp(amber),
					step('wait', { duration: 0.3 }),
					lamp(blue),
					step('wait', { duration: 0.3 })
				])
			)
		]
	}),
	until: (values) => ({
		chains: [run(step('until', values, [step('start', { speed: 0.3 })]), step('stop'))],
		on: wallAhead
	}),
	choose: () => ({ chains: [run(go(0.35), choice())], on: patch }),
	when: () => ({ chains: [run(go(0.35), choice())], on: patch }),
	otherwise: () => ({ chains: [run(go(0.2), choice())], on: wallAhead }),
	together: () => ({ chains: [run(sides())] }),
	side: () => ({ chains: [run(sides())] }),
	leave: (values) => ({
		chains: [
			run(
				step('forever', {}, [
					go(0.1),
					step('choose', {}, [
						step('when', { condition: e('distanceAhead < 25*cm') }, [step('leave', values)])
					])
				]),
				lamp(coral)
			)
		],
		on: wallAhead
	}),
	end: (values) => ({ chains: [run(go(0.2), step('end', values), go(0.4))] }),
	zero: (values) => ({
		chains: [run(go(0.2), step('zero', values), go(0.1), step('log', { value: e('travelled') }))]
	}),
	set: () => ({
		chains: [
			run(step('set', { variable: 'n', value: e('40*cm') }), step('go', { distance: e('n') }))
		]
	}),
	change: () => ({
		chains: [
			run(
				step('set', { variable: 'n', value: 0 }),
				step('repeat', { times: 3 }, [step('change', { variable: 'n', by: 1 })]),
				step('log', { value: e('n') })
			)
		]
	}),
	newList: () => ({ chains: [list()] }),
	addItem: () => ({ chains: [list()] }),
	setItem: () => ({
		chains: [list(step('setItem', { index: 2, variable: 'ways', value: 0.1 }))]
	}),
	log: () => ({ chains: [run(go(0.3), step('log', { value: e('travelled') }))] }),
	send: (values) => ({
		chains: [
			run(go(0.2), step('send', values), go(0.2)),
			chain(step('whenMessage'), step('tone'), lamp(blue))
		]
	}),
	call: () => ({ chains: routine(), on: course({ starts: [{ at: [0.35, 0.42], bearing: 90 }] }) }),
	routine: () => ({
		chains: routine(),
		on: course({ starts: [{ at: [0.35, 0.42], bearing: 90 }] })
	}),
	whenBump: (values) => ({
		chains: [
			run(step('start')),
			chain(
				step('whenBump', values),
				step('stop'),
				step('go', { direction: 'back', distance: 0.15 })
			)
		],
		on: wallAhead
	}),
	whenHears: (values) => ({
		chains: [run(step('say')), chain(step('whenHears', values), step('face'), step('say'))]
	}),
	whenTouched: (values) => ({
		chains: [run(go(0.4)), chain(step('whenTouched', values), lamp(coral))]
	}),
	whenReading: (values) => ({
		chains: [run(step('start')), chain(step('whenReading', values), step('stop'))],
		on: wallAhead
	}),
	whenLampPost: (values) => ({
		chains: [run(go(0.5)), chain(step('whenLampPost', values), step('blink', { period: 0.3 }))],
		on: post
	}),
	whenEdge: (values) => ({
		chains: [
			run(step('start', { speed: 0.3 })),
			chain(
				step('whenEdge', values),
				step('stop'),
				step('go', { direction: 'back', distance: 0.2 })
			)
		],
		on: edge
	}),
	every: () => ({
		chains: [
			run(go(0.5), step('end', { what: 'everything' })),
			chain(step('every', { period: 0.5 }), step('tone', { length: 0.1 }))
		]
	}),
	whenMessage: (values) => ({
		chains: [run(go(0.2), step('send')), chain(step('whenMessage', values), step('tone'))]
	})
};
