/** Where the recording does not decide why a leg missed: which try would. */
import { canDo } from '../robots/robot';
import { robotKindOf } from '../robots/kinds';
import { flying } from '../devices/flying/device';
import type { Leg } from '../attempts/legs';
import type { Sentence } from '../sentence';
import { isStraight, isTurn, type LegScene } from './reason';

/** Legs alike from which a habit of the robot can be told from chance. */
const enough = 3;

export function undecided({ legs, run }: LegScene): (leg: Leg) => Sentence {
	const isFew = (isSo: (leg: Leg) => boolean) => legs.filter(isSo).length < enough;
	const flies = canDo(robotKindOf(run.robot.kind), [flying]);
	const tryOf = (leg: Leg): string => {
		if (leg.span.kind === 'waitUntil') return 'sensor';
		if (leg.bumps.length > 0) return 'room';
		if (isTurn(leg) && isFew(isTurn)) return 'turns';
		if (flies) return 'air';
		return isStraight(leg) && isFew(isStraight) ? 'straights' : 'again';
	};
	return (leg) => ({ key: `reason.undecided.${tryOf(leg)}` });
}
