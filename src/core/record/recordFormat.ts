/** What a file of a record says it is. */
export const recordFormat = { format: 'medida-record', version: 3 } as const
