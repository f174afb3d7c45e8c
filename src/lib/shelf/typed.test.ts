import { expect, it } from 'vitest';
import { offersFor } from './typed';

it.each([
	['go 60', 'go', { direction: 'forward', distance: 0.6, speed: 0.4 }],
	['back 20cm 30%', 'go', { direction: 'back', distance: 0.2, speed: 0.3 }],
	['left 45', 'turn', { direction: 'left', angle: 45 }],
	['lamp blue', 'lamp', { colour: '#4aa8ff' }],
	['tone 880 0,5', 'tone', { pitch: 880, length: 0.5 }],
	['repeat 3', 'repeat', { times: 3 }],
	['wait', 'wait', { duration: 1 }]
])('"%s" means %s', (text, kind, values) => {
	const [first] = offersFor(text);
	expect(first?.definition.kind).toBe(kind);
	expect(first?.values).toEqual(values);
});

it.each(['go 6000', 'repeat 2.5', 'fly 3', 'wait 1 2'])('"%s" fits nothing', (text) => {
	expect(offersFor(text)).toEqual([]);
});
