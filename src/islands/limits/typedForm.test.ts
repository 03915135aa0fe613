import { describe, expect, it } from 'vitest'
import { noBook } from '../../core/book/noBook'
import type { Typed } from '../../core/notes/typedCharacteristic'
import { emptyForm, formOf, methodOf, sameFor, type TypedForm, typedOf } from './typedForm'

const book = noBook('job', 'Feed pump')
const limit = { ...emptyForm(book, undefined).limits[0], key: 'l', page: '31' } as TypedForm['limits'][number]
const filled: TypedForm = {
  ...emptyForm(book, undefined),
  name: ' Sleeve Ø ',
  partName: 'Sleeve',
  kind: 'endFloat',
  answers: { repeatability: '0.02' },
  document: 'FP-7',
  newLower: '0.10',
  newUpper: '0.20',
  newPage: '30',
  limits: [{ ...limit, wear: '0,50', plan: '' }],
}
const over = { id: 't-1', before: null, book, system: 'metric' as const, newPart: 'own-part' }
const sent = (form: Partial<TypedForm>) => typedOf({ ...filled, ...form }, over)

describe('a form filled in from a manual', () => {
  it('needs no document where there is none: the limit is then the shop’s own, and says so', () => {
    const own = sent({ isOwn: true, document: '', newPage: '', limits: [{ ...limit, wear: '0,50', plan: '', page: '' }] })
    expect(own.value?.document.id).toBe('as found')
    expect(own.value?.limits[0]?.page).toBe('no document')
    expect(own.value?.new?.page).toBe('no document')
    expect(sent({ document: '', newPage: '' }).ok).toBe(false)
    // What has no figure needs none either.
    const bare = sent({ document: '', newLower: '', newUpper: '', newPage: '', limits: [] })
    expect(bare.value?.document.id).toBe('as found')
  })

  it('stands on another part under its name', () => {
    const { value } = sent({})
    if (!value) throw new Error('It was refused.')
    const other = { id: 'p-2', name: 'Collar', assembly: 'Pump', position: 'Free side' } as Parameters<typeof sameFor>[2]
    expect(sameFor(value, { name: 'Sleeve' }, other)).toEqual({
      ...value,
      name: 'Collar Ø',
      part: { id: 'p-2', name: 'Collar', assembly: 'Pump', position: 'Free side' },
    })
    expect(sameFor({ ...value, name: 'Play' }, { name: 'Sleeve' }, other).name).toBe('Collar: Play')
  })

  it('is sent trimmed, with what is usual where nothing was said', () => {
    expect(sent({})).toEqual({
      ok: true,
      value: {
        name: 'Sleeve Ø',
        part: { id: 'own-part', name: 'Sleeve', assembly: 'Machine', position: 'Sleeve', sitsIn: null },
        method: expect.objectContaining({ kind: 'endFloat' }),
        gaugeKind: 'dial',
        readTo: '0.01 mm',
        how: '',
        document: { id: 'FP-7', title: 'FP-7', revision: '' },
        new: { nominal: null, lower: '0.10', upper: '0.20', page: '30' },
        limits: [{ judges: 'mean', side: 'upper', wear: '0,50', plan: null, whenPassed: 'mend', instruction: '', page: '31' }],
        safety: false,
      },
    })
  })

  it.each<[what: string, form: Partial<TypedForm>, at: string, says: RegExp]>([
    ['no part', { partName: ' ' }, 'partName', /Name the part/],
    ['no name', { name: '' }, 'name', /Name what is measured/],
    ['no document', { document: ' ' }, 'document', /Name the document/],
    ['half a new size', { newUpper: '' }, 'newUpper', /greatest new size, or leave/],
    ['the other half', { newLower: '' }, 'newLower', /least new size, or leave/],
    ['a new size of no page', { newPage: '' }, 'newPage', /Name the page/],
    ['a plan limit alone', { limits: [{ ...limit, plan: '0.4' }] }, 'limits.0.wear', /a plan limit alone judges nothing/],
    ['a limit of no page', { limits: [limit, { ...limit, wear: '0.5', page: '' }] }, 'limits.1.page', /document and page/],
    ['a limit of words', { limits: [{ ...limit, wear: 'little' }] }, 'limits.0.wear', /little/],
    ['a plan limit beyond the wear limit', { limits: [{ ...limit, wear: '0.5', plan: '0.6' }] }, 'limits.0.plan', /plan/i],
    ['none beside a plan limit', { limits: [{ ...limit, wear: 'None', plan: '0.6' }] }, 'limits.0.plan', /leave the plan/],
    ['a table that goes up and down', { limits: [{ ...limit, wear: '≤ 9: 1; ≤ 4: 2' }] }, 'limits.0.wear', /≤ 4/],
    ['a new size upside down', { newLower: '0.3', newUpper: '0.2' }, 'newLower', /new/i],
    ['a step of nothing', { readTo: 'fine' }, 'readTo', /fine/],
  ])('%s is named at its field', (_what, form, at, says) => {
    const result = sent(form)
    expect(result.ok ? 'accepted' : result.fault.map((fault) => fault.at).join()).toBe(at)
    expect(result.ok ? '' : result.fault.map((fault) => fault.says).join()).toMatch(says)
  })

  it('an empty row of limits is left out; no limit at all may be typed', () => {
    const result = sent({ limits: [limit] })
    expect(result.ok && result.value.limits).toEqual([])
  })

  it('comes back as it was typed, and is sent the same again', () => {
    const first = sent({})
    if (!first.ok) throw new Error(first.fault.map(({ says }) => says).join())
    const before = { id: 't-1', entry: 'e', by: 'Mara', value: first.value } as unknown as Typed
    const again = typedOf(formOf(before), { ...over, before, newPart: 'own-part' })
    expect(again).toEqual(first)
    // Another method is set up anew.
    expect(methodOf({ ...formOf(before), kind: 'radialPlay' }, before, 'metric')).toMatchObject({
      fault: [{ at: 'answers.repeatability' }],
    })
  })

  it('the next one begins with the part and the document of the last', () => {
    const first = sent({})
    if (!first.ok) throw new Error(first.fault.map(({ says }) => says).join())
    const next = emptyForm(book, { value: first.value } as unknown as Typed)
    expect([next.part, next.assembly, next.document, next.name]).toEqual(['own-part', 'Machine', 'FP-7', ''])
  })
})
