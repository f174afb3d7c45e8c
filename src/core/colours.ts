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

/** A colour such as `#d84a3a`, of its number 0xrrggbb. */
export const colourCode = (colour: number): string => `#${colour.toString(16).padStart(6, '0')}`;

/** Red, green and blue of a colour such as `#d84a3a`, 0 to 255. */
export const channelsOf = (colour: string): [number, number, number] => [
	parseInt(colour.slice(1, 3), 16),
	parseInt(colour.slice(3, 5), 16),
	parseInt(colour.slice(5, 7), 16)
];

/** What comes back of the sensor's own light, 0 to 1: plausible for matt tape on pale paper. */
export const brightnessOf: Readonly<Record<FloorColour, number>> = {
	black: 0.06,
	white: 0.9,
	red: 0.42,
	yellow: 0.72,
	green: 0.34,
	blue: 0.26
};
