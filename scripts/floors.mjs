/** Folders of src/core, from the lowest up: each imports only what stands before it. */
export const layers = [
	...[
		'units',
		'random',
		'pictures',
		'sounds',
		'devices',
		'expressions',
		'steps',
		'course',
		'world',
		'robots',
		'plan'
	],
	...[
		'link',
		'interpreter',
		'simulation',
		'attempts',
		'fitting',
		'reasons',
		'live',
		'analysis',
		'checks',
		'examples',
		'testing'
	]
];

/** Folders of src/lib, likewise. Its root files stand below all of them but i18n. */
export const floors = [
	...[
		'i18n',
		'ui',
		'sounds',
		'saving',
		'people',
		'lists',
		'words',
		'files',
		'attempts',
		'timeline',
		'floor',
		'eye'
	],
	...[
		'desk',
		'robots',
		'live',
		'workbench',
		'leaves',
		'loom',
		'recording',
		'staff',
		'voice',
		'values',
		'shelf',
		'help',
		'trail'
	],
	...['course', 'planning', 'home']
];
