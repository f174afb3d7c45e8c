import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What the dark can change. */
const ofColours = ['color-contrast', 'link-in-text-block'];

/**
 * What axe has against the page, each as "rule: the first thing that breaks it": in the light, and what
 * the dark changes in the dark.
 *
 * @param within selector of what has just come; without it, the whole page is looked at
 */
export async function violations(page: Page, within?: string): Promise<string[]> {
	const scan = async (rules?: string[]) => {
		// What passes is not written up, and no other frame is asked: half of the time otherwise.
		const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'], iframes: false });
		axe.setLegacyMode();
		if (within) axe.include(within);
		if (rules) axe.withRules(rules);
		return (await axe.analyze()).violations;
	};
	const light = await scan();
	await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
	// No colour is on its way any more.
	await page.evaluate(async () => {
		await Promise.allSettled(document.getAnimations().map(({ finished }) => finished));
	});
	const dark = await scan(ofColours);
	await page.emulateMedia({ colorScheme: 'light' });
	return [
		...light.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`),
		...dark.map(({ id, nodes }) => `dark, ${id}: ${nodes[0]?.html}`)
	];
}
