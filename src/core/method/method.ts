import { kindOf, type Method, type MethodKind, methodKinds } from './kinds'
import type { WearsTowards } from './methodKind'

export type { Method, MethodKind } from './kinds'
export type MethodOf<K extends MethodKind> = Extract<Method, { kind: K }>

const methodNames = Object.keys(methodKinds) as MethodKind[]
export const methodName = Object.fromEntries(methodNames.map((kind) => [kind, methodKinds[kind].name])) as Record<
  MethodKind,
  string
>

/** Which way the judged value moves as the part wears; either where it is set and not worn. */
export const wearsTowards = (method: Method): WearsTowards | 'either' => kindOf(method).wears(method)
