import { kindOf, type Method, type MethodKind } from './kinds'
import type { WearsTowards } from './methodKind'

export type { Method, MethodKind } from './kinds'
export type MethodOf<K extends MethodKind> = Extract<Method, { kind: K }>

/** Which way the judged value moves as the part wears; either where it is set and not worn. */
export const wearsTowards = (method: Method): WearsTowards | 'either' => kindOf(method).wears(method)
