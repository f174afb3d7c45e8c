/** What TypeScript needs to know of an allowance. */
export class Allowance {
	constructor(perSecond: number, most?: number, now?: number);
	readonly most: number;
	room(now?: number): number;
	takes(amount?: number, now?: number): boolean;
}
