import { kindOf, type Method } from './kinds'

/** Other characteristics whose values a method needs for its own. */
export const needsOf = (method: Method): readonly string[] => kindOf(method).needs?.(method) ?? []
