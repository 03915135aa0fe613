/** An instant as ISO 8601; of one that no calendar has, its bare text, which no schema takes. */
export const instantOf = (at: Date): string => (at instanceof Date && !Number.isNaN(at.getTime()) ? at.toISOString() : String(at))
