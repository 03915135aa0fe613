/** One of several things that a table of facts lists: its code, with its own facts. */
export type Coded<Facts> = { [C in keyof Facts]: { readonly code: C } & Readonly<Facts[C]> }[keyof Facts]

/** No facts beside the code. */
// biome-ignore lint/complexity/noBannedTypes: a code without facts is an object with nothing but its code.
export type Bare = {}
