/** A course desk in the browser, and the three kinds of hand that lay a course on it. */
import { randomUUID } from 'node:crypto';
import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { makeCourse, type Course } from '../src/core/course/course';
import { isSteady } from './helpers';

export type At = readonly [x: number, y: number];

const opened: string[] = [];

/** Takes away what was opened here: other tests look for the first courses of a list. */
export async function putAway(request: APIRequestContext): Promise<void> {
	for (const id of opened.splice(0))
		await request.patch(`/api/documents/${id}`, { data: { deleted: true } });
}

/** Puts a course on the server and opens its desk. @returns its id */
export async function openDesk(page: Page, parts: Partial<Course> = {}): Promise<string> {
	const id = randomUUID();
	const size = { width: 2, height: 1.5 };
	const content = makeCourse({ name: 'Lamp yard', size, starts: [], ...parts });
	const save = { work: { kind: 'course', content }, baseRevision: 0, saveId: randomUUID() };
	const answer = await page.request.put(`/api/documents/${id}`, {
		data: { ...save, unanswered: [] }
	});
	expect(answer.ok()).toBe(true);
	opened.push(id);
	await page.goto(`/courses/${id}`);
	await expect(page.getByTestId('desk-floor')).toBeVisible();
	return id;
}

export async function courseOn(page: Page, id: string): Promise<Course> {
	await expect(page.getByTestId('saved-state')).toHaveAttribute('data-state', 'saved');
	return (await page.request.get(`/api/documents/${id}`)).json();
}

/** Pixels of a place on the course, metres. */
export async function pixelOf(page: Page, [x, y]: At): Promise<At> {
	const box = (await page.getByTestId('desk-floor').boundingBox())!;
	const transform = (await page.locator('#desk-scene').getAttribute('transform'))!;
	const [left, top, scale] = transform.match(/-?[\d.]+/g)!.map(Number) as [number, number, number];
	return [box.x + left + x * scale, box.y + top - y * scale];
}

/** What was opened or closed beside the floor has left it its size, and the floor has drawn itself anew. */
async function floorAtRest(page: Page): Promise<void> {
	await isSteady(async () => [await pixelOf(page, [0, 0]), await pixelOf(page, [1, 1])]);
}

export interface Hand {
	/** Presses a place after the other; pulls from the first to the second where it can. */
	lay(places: readonly At[]): Promise<void>;
	end(): Promise<void>;
	choose(tool: string): Promise<void>;
	/** Lays something at a spot that points, or reaches, from there to another place. */
	pull(from: At, to: At, figure: readonly [label: string, value: string]): Promise<void>;
}

const toolOf = (page: Page, tool: string) =>
	page.getByRole('toolbar', { name: 'To lay' }).getByRole('button', { name: tool, exact: true });

export const mouse = (page: Page): Hand => {
	const to = async (at: At) => page.mouse.move(...(await pixelOf(page, at)));
	const drag = async (from: At, at: At) => {
		await to(from);
		await page.mouse.down();
		await to([(from[0] + at[0]) / 2, (from[1] + at[1]) / 2]);
		await to(at);
		await page.mouse.up();
	};
	return {
		async lay([first, second, ...more]) {
			if (second) await drag(first!, second);
			for (const at of second ? more : [first!]) {
				await to(at);
				await page.mouse.down();
				await page.mouse.up();
			}
		},
		end: () => page.keyboard.press('Escape'),
		async choose(tool) {
			await toolOf(page, tool).click();
			await floorAtRest(page);
		},
		pull: (from, at) => drag(from, at)
	};
};

export async function touch(page: Page): Promise<Hand> {
	const session = await page.context().newCDPSession(page);
	const send = async (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: At) => {
		const [x, y] = at ? await pixelOf(page, at) : [0, 0];
		await session.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [{ x, y }] : [] });
	};
	const drag = async (from: At, to: At) => {
		await send('touchStart', from);
		await send('touchMove', to);
		await expect(page.locator('.loupe')).toBeVisible();
		// A finger that rests for some frames before it leaves does not fling.
		await page.evaluate(async () => {
			for (let i = 0; i < 10; i++) await new Promise((next) => requestAnimationFrame(next));
		});
		await send('touchMove', to);
		await send('touchEnd');
	};
	const floor = async () => {
		const pane = page.getByRole('navigation').getByRole('button', { name: 'Floor' });
		if (await pane.isVisible()) await pane.tap();
	};
	return {
		async lay(places) {
			for (const at of places) {
				await send('touchStart', at);
				await send('touchEnd');
			}
		},
		end: () => page.getByRole('button', { name: 'End the line' }).tap(),
		async choose(tool) {
			await toolOf(page, tool).tap();
			await expect(toolOf(page, tool)).toHaveAttribute('aria-pressed', 'true');
			await floor();
			await floorAtRest(page);
		},
		pull: (from, to) => drag(from, to)
	};
}

/** Keys move the cursor in steps of 5 cm. */
export function keyboard(page: Page): Hand {
	let [x, y] = [1, 0.75];
	const go = async (steps: number, more: string, less: string) => {
		for (let i = 0; i < Math.abs(steps); i++) await page.keyboard.press(steps > 0 ? more : less);
	};
	const press = async (at: At) => {
		await page.getByTestId('desk-floor').focus();
		await go(Math.round((at[0] - x) / 0.05), 'ArrowRight', 'ArrowLeft');
		await go(Math.round((at[1] - y) / 0.05), 'ArrowUp', 'ArrowDown');
		[x, y] = at;
		await page.keyboard.press('Enter');
	};
	return {
		async lay(places) {
			for (const at of places) await press(at);
		},
		end: () => page.keyboard.press('Escape'),
		async choose(tool) {
			await toolOf(page, tool).focus();
			await page.keyboard.press('Enter');
		},
		async pull(from, _to, [label, value]) {
			await press(from);
			const field = page.getByLabel(label, { exact: true });
			await field.focus();
			await page.keyboard.press('Control+a');
			await page.keyboard.type(value);
			await page.keyboard.press('Enter');
		}
	};
}
