import { STAGES, type Stage } from '$core/document';

/** The eight stages are the only places of a job. */
export const match = (param: string): param is Stage =>
  (STAGES as readonly string[]).includes(param);
