import sharp from 'sharp'
import type { StoredEntry } from '../../contract/answers'
import type { PictureFields } from '../../contract/bodies'
import type { Executor } from '../../db/client'
import { findJob } from '../../db/queries/jobs'
import { entriesAfter, findPicture, pictureById, storePicture } from '../../db/queries/notes'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { writeToJob } from '../jobs/openForWriting'
import { sees } from '../people/roles'
import { canonicalJson, sha256OfBytes } from '../reports/canonical'
import { storeEntries } from './addEntries'

/** Largest file taken, bytes. The browser scales pictures down to well below this before it sends them. */
export const MOST_PICTURE_BYTES = 6 * 1024 * 1024
const MOST_SIDE_PX = 2000
const SMALL_SIDE_PX = 320
const MOST_PIXELS = 50_000_000
const TAKEN_FORMATS = ['jpeg', 'png', 'webp']

interface Checked {
  readonly bytes: Buffer
  readonly small: Buffer
  readonly width: number
  readonly height: number
}

/** Stores a picture of a step, position, part or finding. Whatever came is decoded and written anew; nothing else is kept of it. */
export async function addPicture(
  context: Context,
  jobId: string,
  fields: PictureFields,
  file: Uint8Array,
): Promise<{ entries: StoredEntry[] }> {
  authorise(context, 'note', true)
  const checked = await checkPicture(file)
  const sha256 = sha256OfBytes(checked.bytes)
  const { width, height } = checked
  const stored = async (db: Executor): Promise<{ entries: StoredEntry[] } | null> => {
    const known = await pictureById(db, fields.id)
    const noted = (await entriesAfter(db, jobId, 0)).filter(({ entry: { id } }) => id === fields.id)
    const body = noted[0]?.entry.body
    if (known?.jobId !== jobId || body?.kind !== 'pictureAdded') return null
    const same = body.caption === fields.caption && canonicalJson(body.subject) === canonicalJson(fields.subject)
    if (known.sha256 === sha256 && same) return { entries: noted }
    throw new Refused('conflict', say.anotherPictureId)
  }
  return writeToJob(context, jobId, { action: 'note', duringReview: false, stored }, async (db, view) => {
    const known = await pictureById(db, fields.id)
    if (known && (known.jobId !== jobId || known.sha256 !== sha256)) throw new Refused('conflict', say.anotherPictureId)
    if (!known)
      await storePicture(db, {
        id: fields.id,
        jobId,
        type: 'image/jpeg',
        ...checked,
        sha256,
        addedBy: context.user.id,
        byName: context.user.name,
        addedAt: context.now(),
      })
    const body = {
      kind: 'pictureAdded',
      picture: fields.id,
      subject: fields.subject,
      caption: fields.caption,
      sha256,
      width,
      height,
    } as const
    return { entries: await storeEntries(context, db, view, [{ id: fields.id, seen: null, body }]) }
  })
}

/** Type and size by content: a name or a header proves nothing. */
export async function checkPicture(file: Uint8Array): Promise<Checked> {
  if (file.byteLength === 0) throw new Refused('malformed', say.fileEmptyChoose)
  if (file.byteLength > MOST_PICTURE_BYTES) throw new Refused('tooLarge', say.pictureLargerThan(MOST_PICTURE_BYTES / 1024 / 1024))
  const notAPicture = say.fileNotPicture
  let format: string | undefined
  try {
    format = (await sharp(file, { limitInputPixels: MOST_PIXELS }).metadata()).format
  } catch {
    throw new Refused('wrongType', notAPicture)
  }
  if (!format || !TAKEN_FORMATS.includes(format)) throw new Refused('wrongType', notAPicture)
  try {
    const upright = await sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
      .rotate()
      .resize(MOST_SIDE_PX, MOST_SIDE_PX, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true })
    const small = await sharp(upright.data)
      .resize(SMALL_SIDE_PX, SMALL_SIDE_PX, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 72 })
      .toBuffer()
    return { bytes: upright.data, small, width: upright.info.width, height: upright.info.height }
  } catch {
    throw new Refused('malformed', say.pictureDamagedCannot)
  }
}

export async function pictureOf(context: Context, jobId: string, id: string, size: 'whole' | 'small') {
  authorise(context, 'read')
  const found = /^[0-9a-f-]{36}$/i.test(id) ? await findPicture(context.db, jobId, id, size) : undefined
  const of = found && (await findJob(context.db, jobId))
  if (!found || !of || !sees(context.user, of.machine.station)) throw new Refused('notFound', say.pictureNotJob)
  return found
}
