/** The worker that finds out what a robot is like, from where hands have marked it. */
import { expose } from 'comlink';
import { agreement, fitRobot, type Fitted, type Fitting } from '../core/fitting/fit';
import { foretell, nextTry, type Foretold, type NextTry } from '../core/fitting/foretell';
import type { Course } from '../core/course/course';
import type { Plan, PlanRobot } from '../core/plan/plan';
import { usual } from '../core/fitting/unknowns';
import { modelOf } from '../core/robots/models';
import type { ParameterValues } from '../core/robots/parameter';
import type { Variation } from '../core/robots/robot';

/** What was found out, and what follows from it. */
export interface FoundOut {
	/** When, in universal time. */
	readonly at: string;
	readonly fitted: Fitted;
	readonly moves: readonly Foretold[];
	readonly next: NextTry | undefined;
}

/** The plan whose end is to be foretold. */
export interface Foretelling {
	readonly plan: Plan;
	readonly course: Course;
	readonly robot: PlanRobot;
}

const service = {
	/** @param onProgress told the part that is done */
	find(fitting: Fitting, of: Foretelling, onProgress: (part: number) => void): FoundOut {
		const fitted = fitRobot(fitting, onProgress);
		const { variation } = fitting;
		return {
			at: new Date().toISOString(),
			fitted,
			moves: foretell(fitted, of.robot, variation),
			next: nextTry(fitted, of, variation)
		};
	},
	/** What robots of a kind are like on average. */
	usual: (kind: string, variation: Variation): ParameterValues =>
		usual(modelOf(kind).parameters, variation),
	agreement: (fitting: Fitting, values: ParameterValues): readonly number[] =>
		agreement(fitting, values)
};

export type FitService = typeof service;

expose(service);
