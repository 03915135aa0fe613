/** Nobody holds against its page what they typed themselves: under whatever name they have worked. */
export const isOwnTyping = ({ by }: { readonly by: string }, names: Iterable<string>): boolean => new Set(names).has(by)
