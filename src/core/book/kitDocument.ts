/** The document that texts of the kit come from: it never gives a figure. */
export const KIT_DOCUMENT = 'KIT'
