/** Whether a plan limit comes before its wear limit, as seen from new; one that is not given does. */
export const comesFirst = (side: 'upper' | 'lower', plan: number | null, wear: number): boolean =>
  plan === null || (side === 'upper' ? plan <= wear : plan >= wear)
