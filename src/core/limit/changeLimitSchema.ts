import { z } from 'zod'
import { idSchema, sourceSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { reductionNames } from '../method/reduction'
import { figure } from '../quantity/figureSchema'
import { valueSchema } from '../quantity/valueSchema'

/** How a value may move from one measurement to the next: least and greatest growth, either of which may be open. */
export const changeLimitSchema = z
  .strictObject({
    id: idSchema,
    judges: z.enum(reductionNames),
    /** From as found to after work or as left of this overhaul, or from how the last overhaul left it to as found. */
    from: z.enum(['lastOverhaul', 'asFound', 'afterWork']),
    to: z.enum(['asFound', 'afterWork', 'asLeft']),
    least: figure(valueSchema, 'change').nullable(),
    greatest: figure(valueSchema, 'change').nullable(),
    /** Every place is held against it, not the one value alone. */
    eachPlace: z.literal(true).optional(),
    /** What the book wants when it is passed; left out: nothing until the reason is found. */
    whenPassed: z.enum(['mend', 'replace']).optional(),
    instruction: z.string().max(400),
    source: sourceSchema,
  })
  .refine(({ least, greatest }) => least !== null || greatest !== null, asIssue('changeUnbounded'))
  .refine(({ least, greatest }) => least === null || greatest === null || least <= greatest, asIssue('changeEndsSwapped'))
  .refine(({ from, to }) => changeOrder[from] < changeOrder[to], asIssue('changeBackwards'))
const changeOrder = { lastOverhaul: 0, asFound: 1, afterWork: 2, asLeft: 3 } as const
