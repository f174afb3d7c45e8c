/** Hostile files, as the mission runner meets them. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { mission } from '../../src/cli/mission';
import { BadInput } from '../../src/cli/read';
import { extremes } from './extremes';
import { hostileText, unclear } from './texts';

interface FileReport {
	files: number;
	accepted: number;
	slowestSeconds: number;
	stacks: number;
	unclear: string[];
}

/**
 * Reads, checks and rehearses them as the mission runner does.
 *
 * @param isShort without those that take seconds each
 */
export function hostileFiles(count: number, seed: number, isShort = false): FileReport {
	const folder = mkdtempSync(join(tmpdir(), 'lantern-step-hostile-'));
	const report: FileReport = { files: 0, accepted: 0, slowestSeconds: 0, stacks: 0, unclear: [] };
	const open = 'samples/courses/open-quay.json';
	// It bumps into whatever there is.
	const first = 'samples/plans/along-the-reeds.json';
	const generated = fc.sample(hostileText, { numRuns: count, seed });
	for (const text of [...extremes(isShort), ...generated]) {
		const file = join(folder, 'hostile.json');
		writeFileSync(file, text);
		const began = performance.now();
		for (const words of [
			['check', '--plan', file],
			['run', '--plan', file, '--course', open],
			['run', '--plan', first, '--course', file]
		]) {
			try {
				mission(words);
				report.accepted += 1;
			} catch (error) {
				if (!(error instanceof BadInput)) {
					report.stacks += 1;
					report.unclear.push(String((error as Error).stack).slice(0, 300));
				} else if (unclear.test(error.message) || error.message.length > 400)
					report.unclear.push(error.message.slice(0, 300));
			}
		}
		report.files += 1;
		report.slowestSeconds = Math.max(report.slowestSeconds, (performance.now() - began) / 1000);
	}
	rmSync(folder, { recursive: true });
	return report;
}
