/**
 * planck keeps shapes apart to within 0.005 of its units, so one of its units is 10 cm here: that is
 * 0.5 mm on the floor.
 */
import { Vec2 } from './index';

/** planck units in a metre. */
export const scale = 10;
export const toPlanck = ([x, y]: readonly [number, number]): Vec2 => new Vec2(x * scale, y * scale);
