/** Undo and redo of plans. */
import { historyOf, type History as HistoryOf } from '../history';
import { applyEdit, checkEdit, type Edit } from './edits';
import type { Plan } from './plan';

export type PlanHistory = HistoryOf<Plan, Edit>;

export const planHistory = historyOf<Plan, Edit>({ check: checkEdit, apply: applyEdit });
export const { start: startHistory, perform, undo, redo } = planHistory;
