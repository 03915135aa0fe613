import { classEndAt, quantityOfFigure } from '../../core/book/figureKinds'
import { valueAt } from '../../core/book/path'
import { unitOf } from '../../core/quantity/format'
import { readFigureText } from '../../core/typed/figureText'
import { textFaultWords } from '../../core/words/typedFaults'
import { say } from '../../labels/bookEditor'
import { TextField } from '../../ui/Field'
import { useEntry } from './context'
import { asTyped, type LineProps, typedValue } from './typedValue'
import { useTyped } from './useTyped'

/** A figure, in the units of the book; what cannot be read stays as it was typed, and says so. */
export function FigureField({ path, label, field }: LineProps) {
  const { list, entry, system, write, says } = useEntry()
  const quantity = quantityOfFigure(field.shape.kind === 'number' ? field.shape.figure : null, list, entry, path)
  const by = { quantity, system, classOf: classEndAt(list, entry, path) }
  const value = valueAt(entry, path)
  const { text, type, flush } = useTyped(asTyped(field, value, quantity, system), (typed) =>
    write(path, typedValue(field, typed, by)),
  )
  const unit = quantity === null ? '' : unitOf(quantity, system)
  const read = typeof value === 'string' && quantity !== null ? readFigureText(value, by) : null
  return (
    <TextField
      label={unit === '' ? label : say.inUnit(label, unit)}
      error={read && !read.ok ? textFaultWords(read.fault) : says(path)}
      value={text}
      maxLength={60}
      inputMode="text"
      autoComplete="off"
      data-path={path.join('/')}
      onBlur={flush}
      onChange={({ currentTarget }) => type(currentTarget.value)}
    />
  )
}
