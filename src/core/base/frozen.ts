/** As `T`, and nothing of it can be written. Arrays and tuples stay what they are. */
export type Frozen<T> = T extends object ? { readonly [K in keyof T]: Frozen<T[K]> } : T
