/**
 * Goes through the whole link protocol with a robot, good messages and bad ones, and tells what holds
 * and what does not. What each check asks for is written in docs/link.md.
 */
import { signCount, signValues } from '../../core/link/signs';
import { Check, type Beside, type Finding } from './check';
import { clipsHeld } from './clips-held';
import { advert, pairing, strangers } from './knocking';
import { leaving } from './leaving';
import { halting, naming, orderly, telling } from './obeying';
import { RobotLine } from './robot-line';

export async function checkRobot(url: string, beside: Beside): Promise<Finding[]> {
	const check = new Check(url, beside);
	await advert(check);
	const line = new RobotLine(url);
	if (!check.note('opens', await line.opened())) return check.findings;
	await strangers(check, line);
	if (await pairing(check, line)) {
		await telling(check, line);
		await orderly(check, line);
		await clipsHeld(check, line);
		await halting(check, line);
		await naming(check, line);
		await leaving(check, line);
	}
	line.close();
	return check.findings;
}

/** Whether these can be signs. */
export const areSigns = (signs: readonly number[]): boolean =>
	signs.length === signCount &&
	signs.every((sign) => Number.isInteger(sign) && sign >= 1 && sign <= signValues);
