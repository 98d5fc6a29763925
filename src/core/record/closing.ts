/** How a job can close, in the words of the record. */
export const OUTCOMES = [
  'fixed and proven',
  'fixed, unproven',
  'no fault found',
  'referred on',
  'declined'
] as const;
export type JobOutcome = (typeof OUTCOMES)[number];
