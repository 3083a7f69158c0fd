/** Why a sowing failed, as growers sort it. @source common practice, no source */
export const FAILURES = [
  'unknown',
  'too cold',
  'old seed',
  'too wet',
  'dried out',
  'wanted light',
  'wanted dark',
  'eaten',
  'never alive',
] as const;
