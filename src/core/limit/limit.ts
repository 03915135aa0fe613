import type { z } from 'zod'
import type { Frozen } from '../base/frozen'
import type { limitBySchema } from './limitBySchema'
import type { limitSchema } from './limitSchema'

/** A limit on one reduced value, one side, in the fixed unit of its quantity. */
export type Limit = Frozen<z.infer<typeof limitSchema>>

/** Where a figure stands: a document of the book and its page. */
export type Source = Limit['source']

/** A limit whose figures depend on something else. */
export type LimitBy = Frozen<z.infer<typeof limitBySchema>>
