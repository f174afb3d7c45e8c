import { expect, it } from 'vitest';
import { ball } from '$core/robots/ball';
import { drone } from '$core/robots/drone';
import { skiff } from '$core/robots/skiff';
import { planOf } from '$core/testing/sample';
import { offersFor } from './typed';

const place = { plan: planOf([]), level: 'full' as const, holder: null };

it.each([
	['go 60', 'go', { direction: 'forward', distance: 0.6, speed: 0.4 }],
	['back 20cm 30%', 'go', { direction: 'back', distance: 0.2, speed: 0.3 }],
	['left 45', 'turn', { direction: 'left', angle: 45 }],
	['lamp blue', 'lamp', { colour: '#4aa8ff' }],
	['lamp red', 'lamp', { colour: '#ff6b5c' }],
	['lamp purple', 'lamp', { colour: '#b08cff' }],
	['tone 880 0,5', 'tone', { pitch: 880, length: 0.5 }],
	['tone a4 2', 'tone', { pitch: 440, length: 2 }],
	['set n 5', 'set', { variable: 'n', value: 5 }],
	['repeat 3', 'repeat', { times: 3 }],
	['again', 'forever', {}],
	['go for 5', 'goFor', { direction: 'forward', duration: 5 }],
	['back for 2', 'goFor', { direction: 'back', duration: 2 }],
	['go 25% 0.6m', 'go', { distance: 0.6, speed: 0.25 }],
	['turn 2s', 'turnFor', { duration: 2 }],
	['give up', 'ifStuck', {}],
	['go forward 60', 'go', { direction: 'forward', distance: 0.6 }],
	['wait', 'wait', { duration: 1 }]
])('"%s" means %s', (text, kind, values) => {
	const [first] = offersFor(text, place);
	expect(first?.definition.kind).toBe(kind);
	expect(first?.values).toMatchObject(values);
});

it.each([
	['left 45', 'turn', { direction: 'left' }],
	['go left 40', 'go', { direction: 'left', distance: 0.4 }],
	['up 40', 'go', { direction: 'up', distance: 0.4 }],
	['time left 2', 'goFor', { direction: 'left', duration: 2 }]
])('"%s" for a drone means %s', (text, kind, values) => {
	const [first] = offersFor(text, { ...place, robot: drone });
	expect(first?.definition.kind).toBe(kind);
	expect(first?.values).toMatchObject(values);
});

it('a robot that does not fly is offered no step to a side', () => {
	for (const text of ['go left 40', 'go up 40'])
		for (const { values } of offersFor(text, { ...place, robot: skiff }))
			expect(values.direction).not.toBe('up');
	expect(offersFor('go left 40', { ...place, robot: skiff })[0]?.definition.kind).not.toBe('go');
});

it.each([
	[skiff, 'goFor'],
	[ball, 'rollTimed']
])('"go 5 s" is timed', (robot, kind) => {
	const [first] = offersFor('go 5 s', { ...place, robot });
	expect(first?.definition.kind).toBe(kind);
	expect(first?.values).toMatchObject({ duration: 5 });
});

it.each(['go 6000', 'wait 5 cm', 'repeat 2.5', 'fly 3', 'wait 1 2'])(
	'"%s" fits nothing',
	(text) => {
		expect(offersFor(text, place)).toEqual([]);
	}
);
