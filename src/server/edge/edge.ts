import type { APIContext, APIRoute } from 'astro'
import { z } from 'zod'
import { now } from '../../clock/clock'
import type { Refusal } from '../../contract/answers'
import { LINES_TYPE, type LongWork } from '../../contract/longWork'
import { issueWords } from '../../core/words/issues'
import type { Executor } from '../../db/client'
import { say } from '../../labels/refusals'
import type { Context } from './context'
import { refusalOf } from './databaseFault'
import { longAnswer } from './longAnswer'
import { unplainPath } from './plainText'
import { type Issue, Refused } from './refused'
import { database, logger } from './runtime'

/** Largest JSON body of a call, bytes. Readings and reasons are small; a damage pattern of a thousand elements is not. */
const MOST_BYTES = 256 * 1024

export const answerJson = (body: unknown, status = 200): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store' },
  })

export function answerRefused(refused: Refused): Response {
  const error: Refusal['error'] = {
    code: refused.code,
    message: refused.message,
    ...(refused.issues.length > 0 ? { issues: refused.issues } : {}),
    ...(refused.standing ? { standing: refused.standing } : {}),
  }
  return answerJson({ error }, refused.status)
}

/** The use-case context of a request whose person the middleware has found. */
export function contextOf(locals: App.Locals): Context {
  if (!locals.user) throw new Refused('notSignedIn', say.youNotSigned)
  return { db: database().db, user: locals.user, now }
}

/** Reads and checks a JSON body, or refuses it with every fault and its path. */
async function readBody<S extends z.ZodType>(request: Request, schema: S, most = MOST_BYTES): Promise<z.infer<S>> {
  if (!request.headers.get('content-type')?.toLowerCase().startsWith('application/json'))
    throw new Refused('wrongType', say.sendBodyAs)
  const text = await request.text()
  if (new TextEncoder().encode(text).length > most) throw new Refused('tooLarge', say.bodyLargerThan(most / 1024))
  return checked(schema, parseJson(text))
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    const message = error instanceof SyntaxError ? error.message : say.notJson
    throw new Refused('malformed', say.bodyNotJson(message), [{ path: '', message }])
  }
}

/** Checks what came from outside, or refuses it with every fault and its path. */
export function checked<S extends z.ZodType>(schema: S, value: unknown): z.infer<S> {
  const unplain = unplainPath(value)
  if (unplain !== null) {
    const message = say.holdsSignNo
    throw new Refused('malformed', say.notAcceptedType(unplain || 'body', message), [{ path: unplain, message }])
  }
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const issues = parsed.error.issues.map((issue): Issue => ({ path: z.core.toDotPath(issue.path), message: issueWords(issue) }))
  throw new Refused(
    'malformed',
    say.notAccepted(issues.map(({ path, message }) => `${path || 'body'}: ${message}`).join('; ')),
    issues,
  )
}

/** A call that writes: body checked, use case run, refusals answered; every API route goes through here. */
export const apiCall =
  <S extends z.ZodType>(
    schema: S,
    useCase: (context: Context, body: z.infer<S>, api: APIContext) => Promise<unknown>,
    mostBytes?: number,
  ): APIRoute =>
  (api) =>
    guarded(async () => {
      const context = contextOf(api.locals)
      return answerJson(await useCase(context, await readBody(api.request, schema, mostBytes), api))
    })

/** A call of somebody who is not signed in yet and brings a code: body checked, use case run with the database and the clock alone. */
export const openCall =
  <S extends z.ZodType>(schema: S, useCase: (db: Executor, body: z.infer<S>, now: Date) => Promise<unknown>): APIRoute =>
  ({ request }) =>
    guarded(async () => answerJson(await useCase(database().db, await readBody(request, schema), now())))

/** A call that brings a file, with what goes with it as JSON in the field `about`. */
export const apiUpload =
  <S extends z.ZodType>(
    schema: S,
    mostBytes: number,
    useCase: (context: Context, fields: z.infer<S>, file: Uint8Array, api: APIContext, long: LongWork) => Promise<unknown>,
  ): APIRoute =>
  (api) =>
    guarded(async () => {
      const context = contextOf(api.locals)
      let form: FormData
      try {
        form = await api.request.formData()
      } catch {
        throw new Refused('malformed', say.uploadBrokeOff)
      }
      const [about, file] = [form.get('about'), form.get('file')]
      if (typeof about !== 'string' || !(file instanceof Blob)) throw new Refused('malformed', say.sendFieldsAbout)
      if (file.size > mostBytes) throw new Refused('tooLarge', say.fileLargerThan(Math.floor(mostBytes / 1024 / 1024)))
      const fields = checked(schema, parseJson(about))
      const bytes = new Uint8Array(await file.arrayBuffer())
      // The whole of it is here before the answer begins.
      return longAnswer(api.request, (long) => guarded(async () => answerJson(await useCase(context, fields, bytes, api, long))))
    })

/** A call that makes something which takes long; whoever looks on is told when it is there, and then fetches it. */
export const apiMade = (
  make: (context: Context, api: APIContext, long: LongWork) => Promise<() => Promise<Response>>,
): APIRoute => {
  return (api) =>
    guarded(async () => {
      const context = contextOf(api.locals)
      const looksOn = api.request.headers.get('accept')?.includes(LINES_TYPE) ?? false
      return longAnswer(api.request, (long) =>
        guarded(async () => {
          const made = await make(context, api, long)
          return looksOn ? answerJson({ made: true }) : made()
        }),
      )
    })
}

/** A call that reads. */
export const apiRead = (useCase: (context: Context, api: APIContext) => Promise<Response>): APIRoute => {
  return (api) => guarded(() => useCase(contextOf(api.locals), api))
}

async function guarded(answer: () => Promise<Response>): Promise<Response> {
  try {
    return await answer()
  } catch (error) {
    const refused = refusalOf(error)
    if (refused) return answerRefused(refused)
    logger.error({ err: withoutParameters(error) }, 'call failed')
    return answerJson(
      {
        error: {
          code: 'fault',
          message: say.serverCouldNot,
        },
      },
      500,
    )
  }
}

/** A failed query's message holds its parameters, which may be a password hash or a name: only the cause is logged. */
export function withoutParameters(error: unknown): unknown {
  if (!(error instanceof Error)) return String(error)
  return error.cause instanceof Error
    ? { name: error.name, cause: error.cause.message }
    : { name: error.name, message: error.message, stack: error.stack }
}

/** A path parameter that routing guarantees. */
export function pathParameter(api: Pick<APIContext, 'params'>, name: string): string {
  const value = api.params[name]
  if (value === undefined) throw new Error(`route has no parameter ${name}`)
  return value
}
