/** As many sets as a book may have. */
export const MAX_SETS = 2000
/** And as many places as a set. */
export const MAX_PLACES = 200
