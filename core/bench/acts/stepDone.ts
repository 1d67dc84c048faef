import type { StepCode } from '../routes/definition.ts';

/** The id of the row that says a panel's step was done. */
export const stepDoneId = (panelId: string, step: StepCode): string => `${panelId}/${step}`;
