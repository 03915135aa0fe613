/** Stands for a route where a part is reconditioned by a way that no book has. */
export const OWN_WAY = '-'
