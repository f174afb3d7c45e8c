/** Examples of steps that robots do: moves, lights, sounds, faces, pins. */
import {
	amber,
	coral,
	e,
	go,
	lamp,
	middle,
	rail,
	run,
	step,
	wallAhead,
	type Examples
} from './making';

export const doing: Examples = {
	start: (values) => ({ chains: [run(step('start', values), step('wait', { duration: 1.5 }))] }),
	stop: (values) => ({
		chains: [run(step('start'), step('wait', { duration: 1 }), step('stop', values), lamp(coral))]
	}),
	roll: (values) => ({
		chains: [
			run(
				step('roll', { ...values, bearing: 90 }),
				step('wait', { duration: 1 }),
				step('roll', { ...values, bearing: 0 }),
				step('wait', { duration: 0.5 }),
				step('stop')
			)
		]
	}),
	rollTimed: (values) => ({
		chains: [run(step('rollTimed', { ...values, bearing: 90, duration: 1 }))]
	}),
	rollFar: (values) => ({
		chains: [
			run(
				step('rollFar', { ...values, bearing: 90, distance: 0.4 }),
				step('rollFar', { ...values, bearing: 0, distance: 0.2 })
			)
		]
	}),
	horn: (values) => ({ chains: [run(step('horn', values), go(0.4))], on: rail }),
	land: (values) => ({
		chains: [run(step('takeOff'), step('go', { distance: 0.4 }), step('land', values))]
	}),
	hover: (values) => ({
		chains: [
			run(step('takeOff'), step('start'), step('wait', { duration: 0.5 }), step('hover', values))
		]
	}),
	flip: (values) => ({ chains: [run(step('takeOff'), step('flip', values))], on: middle }),
	cutMotors: (values) => ({
		chains: [run(step('takeOff'), step('cutMotors', values))],
		on: middle
	}),
	pinsAtOnce: (values) => ({
		chains: [run(step('pinsAtOnce', values), step('wait', { duration: 1 }), step('pinsOff'))]
	}),
	pinsOff: (values) => ({
		chains: [
			run(step('pinsAtOnce'), step('pin', { pin: 5 }), step('wait'), step('pinsOff', values))
		]
	}),
	pin: () => ({
		chains: [run(step('pin', { pin: 5 }), step('goFor', { duration: 1, speed: 1 }))]
	}),
	pinFor: () => ({
		chains: [run(step('pinFor', { pin: 1, duration: 0.5 }), step('pinFor', { pin: 5 }))],
		on: middle
	}),
	patches: (values) => ({
		chains: [run(step('patches', { ...values, right: 0.6 }), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	patchesFor: (values) => ({ chains: [run(step('patchesFor', values))], on: middle }),
	face: (values) => ({
		chains: [run(step('face', values), step('goFor', { duration: 1, speed: 1 }))]
	}),
	steer: () => ({
		chains: [run(step('steer', { steering: 0.4 }), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	wheels: () => ({
		chains: [run(step('wheels', { left: 0.4, right: 0.2 }), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	wheelsFor: (values) => ({ chains: [run(step('wheelsFor', values))], on: middle }),
	wheelsTurns: (values) => ({ chains: [run(step('wheelsTurns', values))], on: middle }),
	motor: (values) => ({
		chains: [run(step('motor', values), step('wait', { duration: 1.5 }))],
		on: middle
	}),
	drivePorts: () => ({
		chains: [
			run(
				step('drivePorts', { left: 'B', right: 'A' }),
				step('wheels', { left: 0.4, right: 0.1 }),
				step('wait', { duration: 1 })
			)
		],
		on: middle
	}),
	ifStuck: (values) => ({
		chains: [run(step('ifStuck', { ...values, after: 1 }), go(1), go(-0.2))],
		on: wallAhead
	}),
	cruise: () => ({
		chains: [run(step('cruise', { speed: 0.7 }), step('go', { speed: e('cruise') }))]
	}),
	arc: (values) => ({ chains: [run(step('arc', { ...values, radius: 0.2 }))] }),
	turn: (values) => ({ chains: [run(step('turn', values))], on: middle }),
	turnFor: (values) => ({ chains: [run(step('turnFor', values))], on: middle }),
	turnTo: () => ({ chains: [run(step('turnTo', { bearing: 90 }))], on: middle }),
	blink: () => ({ chains: [run(step('blink', { period: 0.5 }), go(0.4))] }),
	lampOff: (values) => ({ chains: [run(lamp(amber), go(0.2), step('lampOff', values), go(0.2))] }),
	showPicture: (values) => ({ chains: [run(step('showPicture', values), go(0.4))] }),
	playPictures: (values) => ({ chains: [run(step('playPictures', values), go(0.2))] }),
	runText: (values) => ({ chains: [run(step('runText', { text: 'HI', ...values }), go(0.2))] }),
	turnGrid: (values) => ({
		chains: [
			run(
				step('showPicture'),
				step('wait', { duration: 1 }),
				step('turnGrid', values),
				step('wait', { duration: 1 })
			)
		]
	}),
	gridBrightness: (values) => ({
		chains: [run(step('gridBrightness', values), step('showPicture'), go(0.4))]
	}),
	darkGrid: () => ({
		chains: [run(step('showPicture'), step('wait', { duration: 1 }), step('darkGrid'), go(0.2))]
	}),
	clip: (values) => ({ chains: [run(step('clip', values), go(0.2))] }),
	volume: (values) => ({ chains: [run(step('volume', values), step('tone'))] }),
	silence: (values) => ({
		chains: [
			run(
				step('tone', { length: 3, then: 'carryOn' }),
				step('wait', { duration: 1 }),
				step('silence', values)
			)
		]
	}),
	waitStill: (values) => ({
		chains: [
			run(
				step('start'),
				step('wait', { duration: 1 }),
				step('stop', { then: 'goOn' }),
				step('waitStill', values),
				lamp(amber)
			)
		]
	})
};
