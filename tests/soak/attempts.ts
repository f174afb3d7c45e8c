/** Attempts over the network that can be recognised later, whatever is killed meanwhile. */
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { FetchedAttempt, SentAttempt } from '../../src/core/attempts/kept';
import type { Server } from './server';

const hashOf = (text: string) => createHash('sha256').update(text).digest('hex');
const course = '{"course":1}';

/** Each with a plan of its own, so that three contents have to be there. Pinned: none makes room. */
function attemptOf(planId: string, at: number): SentAttempt {
	const plan = JSON.stringify({ plan: at });
	return {
		...{ planId, courseId: null, at, modelVersion: 1, courseMark: 1, isPinned: true },
		summary: {
			...{ source: { type: 'run' }, kind: 'ended', reason: { key: 'outcome.ended' } },
			...{ seconds: 1, reachedFinish: false, bumps: 0, robots: [] }
		},
		...{ planHash: hashOf(plan), courseHash: hashOf(course) },
		recording: randomBytes(2000).toString('base64'),
		bodies: { [hashOf(plan)]: plan, [hashOf(course)]: course }
	};
}

/** One that keeps attempts, and knows which the server has acknowledged. */
export class AttemptKeeper {
	private readonly planId = randomUUID();
	private readonly known = new Map<string, SentAttempt>();
	private checked = 0;

	get count(): number {
		return this.known.size;
	}

	/** @throws where the server is gone */
	async keepOne(server: Server): Promise<void> {
		const id = randomUUID();
		const attempt = attemptOf(this.planId, this.known.size);
		const { status } = await server.send('PUT', `/api/attempts/${id}`, attempt);
		if (status === 200) this.known.set(id, attempt);
		// It was a lot at once.
		else await new Promise((goOn) => setTimeout(goOn, 100));
	}

	/** How many of those that were acknowledged since the last look are not there, whole. */
	async lost(server: Server): Promise<number> {
		let lost = 0;
		for (const [id, { recording, planHash }] of [...this.known].slice(this.checked)) {
			const { status, text } = await server.get(`/api/attempts/${id}`);
			const found = status === 200 ? (JSON.parse(text) as FetchedAttempt) : undefined;
			if (found?.recording !== recording || hashOf(found.plan) !== planHash) lost += 1;
		}
		this.checked = this.known.size;
		return lost;
	}
}
