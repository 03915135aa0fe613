import { isPlainObject } from '../../core/base/plainObject'
import { asVariety, blankOf } from '../../core/book/blank'
import type { Entry } from '../../core/book/edits'
import { judgedIn } from '../../core/book/figureKinds'
import type { Path } from '../../core/book/path'
import { valueAt } from '../../core/book/path'
import type { Field, Shape } from '../../core/book/shape'
import { bookChoiceName, bookFieldName } from '../../core/words/bookFields'
import { say } from '../../labels/bookEditor'
import { CheckField, Fault, SelectField } from '../../ui/Field'
import styles from './BookEditor.module.css'
import { useEntry } from './context'
import { FigureField } from './FigureField'
import { ListField } from './ListField'
import { NamesField } from './NamesField'
import { WordField } from './WordField'

/** A field of an entry, whatever stands in it. */
export function FieldView({ field: { key, shape, empty }, path }: { readonly field: Field; readonly path: Path }) {
  const { list, entry, write } = useEntry()
  const at = [...path, key]
  const value = valueAt(entry, at)
  const label = bookFieldName(list, at)
  const mayLack = empty !== 'asked' && (shape.kind === 'group' || shape.kind === 'oneOf' || shape.kind === 'pair')
  const isThere = value !== undefined && value !== null
  if (mayLack && !isThere)
    return <CheckField label={label} checked={false} onChange={() => write(at, blankOf(shape))} data-path={at.join('/')} />
  return (
    <>
      {mayLack && (
        <CheckField
          label={label}
          checked
          onChange={() => write(at, empty === 'null' ? null : undefined)}
          data-path={at.join('/')}
        />
      )}
      <ShapeView shape={shape} path={at} label={label} empty={empty} isHeaded={mayLack} />
    </>
  )
}

interface ShapeProps {
  readonly shape: Shape
  readonly path: Path
  readonly label: string
  /** What stands there when nothing is said. */
  readonly empty: Field['empty']
  /** Its name stands above it already. */
  readonly isHeaded?: boolean
}

export function ShapeView({ shape, path, label, empty, isHeaded = false }: ShapeProps) {
  const { list, entry, write, says } = useEntry()
  const value = valueAt(entry, path)
  const error = says(path)
  const none = empty === 'null' ? null : undefined
  const place = { 'data-path': path.join('/') }
  switch (shape.kind) {
    case 'text':
      return <WordField path={path} label={label} field={{ shape, empty }} />
    case 'number':
      return <FigureField path={path} label={label} field={{ shape, empty }} />
    case 'flag':
      return (
        <CheckField
          {...place}
          label={label}
          error={error}
          checked={value === true}
          onChange={({ currentTarget: { checked } }) => write(path, checked || (empty === 'absent' ? undefined : false))}
        />
      )
    case 'choice':
      return (
        <SelectField
          {...place}
          label={label}
          error={error}
          value={typeof value === 'string' ? value : ''}
          options={[
            { value: '', label: empty === 'asked' ? say.choose : say.notSaid },
            ...offered(shape.of, list, entry, path, value).map((one) => ({ value: one, label: bookChoiceName(list, path, one) })),
          ]}
          onChange={({ currentTarget }) => write(path, currentTarget.value === '' ? none : currentTarget.value)}
        />
      )
    case 'group':
      return (
        <fieldset className={styles.group} data-headed={isHeaded || undefined}>
          <legend className={isHeaded ? 'hidden-label' : undefined}>{label}</legend>
          {shape.fields.map((field) => (
            <FieldView key={field.key} field={field} path={path} />
          ))}
          <Fault text={error} />
        </fieldset>
      )
    case 'oneOf':
      return (
        <fieldset className={styles.group} data-headed={isHeaded || undefined}>
          <legend className={isHeaded ? 'hidden-label' : undefined}>{label}</legend>
          <Varieties shape={shape} path={path} />
        </fieldset>
      )
    case 'pair':
      return (
        <fieldset className={styles.group} data-headed={isHeaded || undefined}>
          <legend className={isHeaded ? 'hidden-label' : undefined}>{label}</legend>
          {shape.of.map((one, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a pair has its places
            <ShapeView key={at} shape={one} path={[...path, at]} label={`${label} ${at + 1}`} empty="asked" />
          ))}
          <Fault text={error} />
        </fieldset>
      )
    case 'wordOr':
      return (
        <div className={styles.wide}>
          <SelectField
            {...place}
            label={label}
            value={value === shape.word ? 'all' : 'chosen'}
            options={[
              { value: 'all', label: say.all },
              { value: 'chosen', label: say.chosen },
            ]}
            onChange={({ currentTarget }) => write(path, currentTarget.value === 'all' ? shape.word : [])}
          />
          {value !== shape.word && <ShapeView shape={shape.or} path={path} label={say.chosen} empty="asked" />}
        </div>
      )
    case 'named':
      return <NamesField of={shape.of} path={path} label={label} />
    case 'list':
      return <ListField of={shape.of} path={path} label={label} mayLack={empty === 'absent'} />
  }
}

/** What there is to choose from: of the values of a method, those that it gives, and what stands there. */
function offered(all: readonly string[], list: string, entry: Entry, path: Path, value: unknown): readonly string[] {
  const given = path.at(-1) === 'judges' ? judgedIn(list, entry) : null
  return given === null ? all : all.filter((one) => given.includes(one) || one === value)
}

/** What it is, and the fields that go with that. */
export function Varieties({ shape, path }: { readonly shape: Extract<Shape, { kind: 'oneOf' }>; readonly path: Path }) {
  const { list, entry, write, says } = useEntry()
  const value = valueAt(entry, path)
  const at = [...path, shape.by]
  const said = isPlainObject(value) ? value[shape.by] : undefined
  // A fit that says nothing is of the first kind.
  const kind = typeof said === 'string' ? said : path.length === 0 ? shape.of[0]?.value : undefined
  const chosen = shape.of.find((one) => one.value === kind)
  return (
    <>
      <SelectField
        data-path={at.join('/')}
        label={bookFieldName(list, at)}
        error={says(at)}
        value={kind ?? ''}
        options={[
          ...(kind === undefined ? [{ value: '', label: say.choose }] : []),
          ...shape.of.map((one) => ({ value: one.value, label: bookChoiceName(list, at, one.value) })),
        ]}
        onChange={({ currentTarget }) => currentTarget.value === '' || write(path, asVariety(shape, value, currentTarget.value))}
      />
      {chosen?.fields
        .filter(({ key }) => path.length > 0 || key !== 'id')
        .map((field) => (
          <FieldView key={`${kind}/${field.key}`} field={field} path={path} />
        ))}
    </>
  )
}
