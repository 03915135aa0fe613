/** What the limits that are typed in a job are called, where a machine has no limit book. */
export const typedBookTitle = (machine: string): string => `${machine}, typed while measuring`
