/** The demo job and machine that attacks are made on. */
export const FUZZED = { job: 'quillmere-u1-2026', machine: 'quillmere-unit-1' } as const
