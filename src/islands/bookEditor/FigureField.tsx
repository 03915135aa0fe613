import { quantityOfFigure } from '../../core/book/figureKinds'
import { type Path, valueAt } from '../../core/book/path'
import { figureText, readFigure } from '../../core/quantity/figureText'
import { unitOf } from '../../core/quantity/format'
import { twoUnitsFaultWords } from '../../core/words/quantities'
import { say } from '../../labels/bookEditor'
import { TextField } from '../../ui/Field'
import { useEntry } from './context'
import { useTyped } from './useTyped'

/** A figure, in the units of the book; what cannot be read stays as it was typed, and says so. */
export function FigureField({
  path,
  label,
  none,
}: {
  readonly path: Path
  readonly label: string
  readonly none: null | undefined
}) {
  const { list, entry, system, write, says } = useEntry()
  const quantity = quantityOfFigure(list, entry, path)
  const value = valueAt(entry, path)
  const { text, type, flush } = useTyped(figureText(value, quantity, system), (typed) => {
    const read = readFigure(typed, quantity, system)
    write(path, typed.trim() === '' ? none : read.ok ? read.value : typed)
  })
  const unit = quantity === null ? '' : unitOf(quantity, system)
  const read = typeof value === 'string' ? readFigure(value, quantity, system) : null
  return (
    <TextField
      label={unit === '' ? label : say.inUnit(label, unit)}
      error={read && !read.ok ? twoUnitsFaultWords(read.fault) : says(path)}
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
