/** What a leg added and how it began, in words. */
import './words';
import { alongMeant, type Leg, type Miss } from '$core/attempts/legs';
import type { OffBy } from '$core/attempts/marks';
import { degrees } from '$core/units/angles';
import { t } from '$lib/i18n';
import { showNumber, showSpeed } from '$lib/words/format';

/** Metres, radians and metres a second that are not worth a word. */
const leastLength = 0.004;
const leastAngle = 0.0087;
const leastSpeed = 0.02;

const length = (metres: number): string => showNumber('length', Math.abs(metres));
const angle = (radians: number): string => showNumber('angle', Math.abs(degrees(radians)));
const isSeen = (value: number, least: number): boolean => Math.abs(value) >= least;

/** What the leg itself did wrong. */
export function addedWords(leg: Leg): string {
	const off = alongMeant(leg);
	if (!off) return t('legs.unknown');
	const { further, aside, turned, isTurn } = off;
	const said: string[] = [];
	if (further !== undefined && isSeen(further, leastLength))
		said.push(t(further > 0 ? 'legs.further' : 'legs.shorter', { length: length(further) }));
	if (isSeen(aside, leastLength)) {
		const side = aside > 0 ? 'legs.left' : 'legs.right';
		said.push(t(further === undefined ? 'legs.moved' : side, { length: length(aside) }));
	}
	if (isSeen(turned, leastAngle)) {
		const [more, less] = isTurn ? ['more', 'less'] : ['swerveLeft', 'swerveRight'];
		said.push(t(`legs.${turned > 0 ? more : less}`, { angle: angle(turned) }));
	}
	return said.length > 0 ? said.join(', ') : t('legs.fits');
}

/** Where and how it began. @param topSpeed m/s */
export function beganWords({ inherited, speedAtStart }: Leg, topSpeed: number): string {
	const said = inherited ? missWords(inherited) : [];
	if (isSeen(speedAtStart, leastSpeed))
		said.push(t('legs.rolling', { speed: showSpeed(speedAtStart / topSpeed) }));
	return said.length > 0 ? said.join(', ') : t('legs.onWay');
}

function missWords({ ahead, left, turn }: Miss): string[] {
	const off = Math.hypot(ahead, left);
	return [
		...(isSeen(off, leastLength) ? [t('legs.off', { length: length(off) })] : []),
		...(isSeen(turn, leastAngle)
			? [t(turn > 0 ? 'legs.askewLeft' : 'legs.askewRight', { angle: angle(turn) })]
			: [])
	];
}

/** By how far it moved the end of the attempt. */
export const costWords = ({ cost }: Leg): string => length(cost);

/** By how much a reckoning is off where a hand has measured. */
export function offWords({ length: off, turn }: OffBy): string {
	const said = [
		...(off === null ? [] : [t('truth.offLength', { length: length(off) })]),
		...(turn === null
			? []
			: isSeen(turn, leastAngle)
				? [t(turn > 0 ? 'truth.offLeft' : 'truth.offRight', { angle: angle(turn) })]
				: [t('truth.offNoTurn')])
	];
	return said.join(', ');
}
