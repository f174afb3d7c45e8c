/** It rolled on by itself, further or less far than meant: nothing drove it, and nothing braked it. */
import { alongMeant, type Leg } from '../attempts/legs';
import { brakeAtEnd } from './mend';
import { noMiss, wayBetween, type Matter } from './reason';

/** Metres that are worth a word. */
const least = 0.01;
/** Steps that drive nothing. */
const idle = new Set(['wait', 'waitStill', 'stop']);

/** Seconds into a leg from which on nothing drives it; null if something does to its end. */
function drivenFor({ span: { kind, values } }: Leg): number | null {
	if (idle.has(kind)) return 0;
	const { ending, duration } = values;
	return ending === 'coast' && typeof duration === 'number' ? duration : null;
}

export const coasting: Matter = (scene) => {
	const { twinOf } = scene;
	return (leg) => {
		const { span, meant, bumps } = leg;
		const driven = drivenFor(leg);
		const twin = twinOf(leg);
		const along = alongMeant(leg);
		if (driven === null || !twin || !meant || bumps.length > 0) return null;
		const own = wayBetween(scene.run, span.start + driven, span.end);
		const ideal = wayBetween(twin.run, twin.leg.span.start + driven, twin.leg.span.end);
		const more = own - ideal;
		if (Math.abs(more) < least || along?.further === undefined) return null;
		const part = more / along.further;
		if (part <= 0) return null;
		const added = leg.added ?? noMiss;
		return {
			sentence: {
				key: 'reason.coasting',
				values: { centimetres: own * 100, meant: ideal * 100 }
			},
			explains: part > 1 ? added : { ...added, ahead: added.ahead * part, left: added.left * part },
			mend: brakeAtEnd(leg),
			at: span.start + driven
		};
	};
};
