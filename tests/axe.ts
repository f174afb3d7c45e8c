import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What the dark can change: all else was looked at in the light. */
const ofColours = ['color-contrast', 'link-in-text-block'];

/**
 * What axe has against the page, each as "rule: the first thing that breaks it".
 *
 * @param within selector of what has just come; without it, the whole page is looked at
 */
export async function violations(page: Page, within?: string): Promise<string[]> {
	// What passes is not written up, and no other frame is asked: half of the time otherwise.
	const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'], iframes: false });
	axe.setLegacyMode();
	if (within) axe.include(within);
	if (await page.evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches))
		axe.withRules(ofColours);
	const { violations: found } = await axe.analyze();
	return found.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`);
}
