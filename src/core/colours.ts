/** The colours that a floor sensor tells apart, as it names them, and how bright each looks to it. */
export const floorColours = {
	black: '#1b1b22',
	white: '#f7f5ee',
	red: '#d84a3a',
	yellow: '#e9b93a',
	green: '#3f9a5f',
	blue: '#3a72c4'
} as const;

export type FloorColour = keyof typeof floorColours;

/** What comes back of the sensor's own light, 0 to 1: plausible for matt tape on pale paper. */
export const brightnessOf: Readonly<Record<FloorColour, number>> = {
	black: 0.06,
	white: 0.9,
	red: 0.42,
	yellow: 0.72,
	green: 0.34,
	blue: 0.26
};
