import type { LimitBook } from './bookSchema'

/** What stands in for the limit book of a machine that has none: everything in it will be typed in the job. */
export const noBook = (jobId: string, machine: string): LimitBook => ({
  format: 'medida-limit-book',
  version: 2,
  id: `typed-${jobId}`,
  title: `${machine}, typed while measuring`,
  revision: 'none',
  issued: null,
  currency: 'EUR',
  documents: [],
  parts: [],
  characteristics: [],
  fits: [],
  levels: [],
  cautions: [],
  procedure: [],
  positions: [],
  joints: [],
  temporaries: [],
  findingRules: [],
  patterns: [],
  handTests: [],
})
