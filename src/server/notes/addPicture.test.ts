import sharp from 'sharp'
import { expect, test } from 'vitest'
import { Refused } from '../edge/refused'
import { checkPicture, MOST_PICTURE_BYTES } from './addPicture'

const made = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#a06030' } })

test.each([
  { name: 'JPEG', file: () => made(640, 480).jpeg().toBuffer(), size: [640, 480] },
  { name: 'PNG', file: () => made(640, 480).png().toBuffer(), size: [640, 480] },
  { name: 'WebP', file: () => made(640, 480).webp().toBuffer(), size: [640, 480] },
  { name: 'a large one, made smaller', file: () => made(4000, 3000).jpeg().toBuffer(), size: [2000, 1500] },
  // Orientation 6: the camera lay on its side.
  {
    name: 'one that lies on its side, turned upright',
    file: () => made(640, 480).withMetadata({ orientation: 6 }).jpeg().toBuffer(),
    size: [480, 640],
  },
])('$name is kept as JPEG in two sizes', async ({ file, size }) => {
  const kept = await checkPicture(await file())
  expect([kept.width, kept.height]).toEqual(size)
  const [whole, small] = [await sharp(kept.bytes).metadata(), await sharp(kept.small).metadata()]
  expect([whole.format, small.format]).toEqual(['jpeg', 'jpeg'])
  expect(Math.max(small.width ?? 0, small.height ?? 0)).toBe(320)
  expect(whole.exif).toBeUndefined()
})

test.each([
  { name: 'nothing', file: async () => Buffer.alloc(0), code: 'malformed' },
  { name: 'words', file: async () => Buffer.from('not a picture'), code: 'wrongType' },
  {
    name: 'a drawing',
    file: async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>x</script></svg>'),
    code: 'wrongType',
  },
  { name: 'a GIF', file: () => made(9, 9).gif().toBuffer(), code: 'wrongType' },
  {
    name: 'a JPEG that breaks off',
    file: async () => (await made(900, 700).jpeg().toBuffer()).subarray(0, 1500),
    code: 'malformed',
  },
  { name: 'more than is taken', file: async () => Buffer.alloc(MOST_PICTURE_BYTES + 1), code: 'tooLarge' },
])('$name is refused', async ({ file, code }) => {
  const refused = await checkPicture(await file()).catch((error: unknown) => error)
  expect(refused).toBeInstanceOf(Refused)
  expect((refused as Refused).code).toBe(code)
})
