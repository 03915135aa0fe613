import type { LimitBook } from './bookSchema'

/** What stands in for the limit book of a machine that has none: everything in it will be typed in the job, under the title given. */
export const noBook = (jobId: string, title: string): LimitBook => ({
  format: 'medida-limit-book',
  version: 3,
  id: `typed-${jobId}`,
  title,
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
