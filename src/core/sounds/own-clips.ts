/** What our own sounds are, without making them: `./clips` does that, and its test holds both together. */
export const ownClips = {
	bell: {
		id: '05abd123222872db94580ac5c51197decf13a4d8121208bec541dd67baab7270',
		samples: 25600,
		pitch: 667
	},
	shipBell: {
		id: '710611db13850be04775c9be41b92e5bdbe691711d2f2f86c87dedcadba962c6',
		samples: 22400,
		pitch: 1000
	},
	fogHorn: {
		id: '3d78dff9bedb253cf2a9a954c535bc8e15a2a794b04ca01dfcdfeeeaa7af240d',
		samples: 32000,
		pitch: 92
	},
	whistle: {
		id: '402476093cc5b57b81965bd98218349baea81f3f3fc3693d3cd6a4e818597396',
		samples: 14400,
		pitch: 1778
	},
	gull: {
		id: '4cb7f98f07cb2493d8da0a8ad9a2f54e857ecb217648de70094f7682f481e4cc',
		samples: 20800,
		pitch: 1143
	},
	frog: {
		id: 'bee9fe23635b68101fe2f106990fe28a8b809d8d0a142e763e8a75017994f9e8',
		samples: 12800,
		pitch: 95
	},
	cricket: {
		id: '7da342371945a7b28798080425a7a93695b45c022a3026c383766db8f30dd86e',
		samples: 14400,
		pitch: 4000
	},
	creak: {
		id: '7b48e34a0552398d8fba0153d6f21faf6ec06334a602e4eb5319f599b252f261',
		samples: 17600,
		pitch: 128
	},
	winch: {
		id: '0318277c863d921b1bd18b2ae9842d5f7a3c8bc88e188e08a6a0038d9a0d8eaf',
		samples: 24000,
		pitch: 120
	},
	rope: {
		id: '7c557b61cd3e7397e3de7908b61d3652c01b9c4e16965c742778bbe1c7b64602',
		samples: 14400,
		pitch: 80
	},
	chain: {
		id: 'b7221eb6c5ca924484f99f0db21b33c777acc88bfc263544af371329c0105ba4',
		samples: 19200,
		pitch: 372
	},
	splash: {
		id: '89b4429b75404fa777307fd94ac43732768bb2de00edf053583b1c74c77cdf06',
		samples: 16000,
		pitch: 842
	},
	drip: {
		id: 'fd562bfdebdcb55d1ee072fa36434fcba165e36f1e4c9650a953c7c0414533e4',
		samples: 6400,
		pitch: 842
	},
	wave: {
		id: 'd133ffcad44eeb322825e38c6e44748b40626ae15fdc85bd4fcd367203bc896c',
		samples: 32000,
		pitch: 242
	},
	wind: {
		id: '3e129ea3de5fe506191c853b76206ce3877825e3df82f4289994930d0efd4fa0',
		samples: 32000,
		pitch: 158
	},
	knock: {
		id: '183a63e2ba317c7ea79873be045d345a8cf259353d11104e60fbc6ae3eeace6f',
		samples: 9600,
		pitch: 170
	}
} as const;

export type OwnClip = keyof typeof ownClips;
export const ownNames = Object.keys(ownClips) as readonly OwnClip[];
