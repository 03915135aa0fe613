import type { Limit } from './limit'

/** A limit of a made-up document, named after what it judges. */
export const limitOn = (judges: Limit['judges'], side: Limit['side'], wear: number, over: Partial<Limit> = {}): Limit => ({
  id: judges,
  judges,
  side,
  plan: null,
  wear,
  whenPassed: 'mend',
  instruction: '',
  source: { document: 'D', page: '1' },
  ...over,
})
