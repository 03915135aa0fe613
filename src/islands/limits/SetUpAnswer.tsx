import { pairsIn } from '../../core/base/pairs'
import type { LimitBook } from '../../core/book/bookSchema'
import { givesOf } from '../../core/method/gives'
import type { MethodKind } from '../../core/method/method'
import type { ReductionName } from '../../core/method/reduction'
import type { SetUpField } from '../../core/method/setUp/fields'
import { namesInFormula } from '../../core/method/setUp/setUp'
import { unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { valueName } from '../../core/words/labels'
import { setUpWords } from '../../core/words/methods'
import { say } from '../../labels/limits'
import { Fault, SelectField, TextField } from '../../ui/Field'
import type { TypedForm } from './typedForm'

/** One question of a method's set-up, by its kind. */
export function SetUpAnswer({
  kind,
  field,
  form,
  system,
  others,
  error,
  onAnswer,
}: {
  readonly kind: MethodKind
  readonly field: SetUpField
  readonly form: TypedForm
  readonly system: UnitSystem
  readonly others: LimitBook['characteristics']
  readonly error: string | null
  onAnswer(answer: string): void
}) {
  const words = setUpWords(kind, field.key)
  const value = form.answers[field.key] ?? words.start ?? field.start ?? ''
  const label = field.kind === 'figure' ? `${words.label}, ${unitOf(field.quantity, system)}` : words.label
  if (field.kind === 'choice')
    return (
      <SelectField
        label={label}
        hint={words.hint}
        error={error}
        value={value}
        options={field.options.map((option) => ({ value: option, label: words.options?.[option] ?? option }))}
        onChange={(event) => onAnswer(event.currentTarget.value)}
      />
    )
  if (field.kind === 'characteristic')
    return (
      <SelectField
        label={label}
        hint={words.hint}
        error={error}
        value={value}
        options={[
          { value: '', label: say.choose },
          ...others
            .filter(({ method: { kind } }) => kind === 'boreDiameter' || kind === 'outsideDiameter')
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(event) => onAnswer(event.currentTarget.value)}
      />
    )
  if (field.kind === 'names') return <FormulaNames form={form} others={others} error={error} value={value} onAnswer={onAnswer} />
  return (
    <TextField
      label={label}
      hint={words.hint}
      error={error}
      value={value}
      maxLength={400}
      autoComplete="off"
      onChange={(event) => onAnswer(event.currentTarget.value)}
    />
  )
}

/** For each name in the formula, the result it stands for. */
function FormulaNames({
  form,
  others,
  error,
  value,
  onAnswer,
}: {
  readonly form: TypedForm
  readonly others: LimitBook['characteristics']
  readonly error: string | null
  readonly value: string
  onAnswer(answer: string): void
}) {
  const pairs = pairsIn(value)
  const chosen = new Map(pairs.ok ? pairs.value : [])
  const names = namesInFormula(form.answers.formula ?? '')
  const options = others.flatMap((other) =>
    (Object.keys(givesOf(other.method)) as ReductionName[]).map((of) => ({
      value: `${other.id}.${of}`,
      label: `${other.name}: ${valueName[of]}`,
    })),
  )
  return (
    <>
      {names.map((name) => (
        <SelectField
          key={name}
          label={`“${name}” is`}
          value={chosen.get(name) ?? ''}
          options={[{ value: '', label: say.choose }, ...options]}
          onChange={(event) => {
            const next = new Map(chosen).set(name, event.currentTarget.value)
            onAnswer(names.flatMap((known) => (next.get(known) ? [`${known} = ${next.get(known)}`] : [])).join('; '))
          }}
        />
      ))}
      <Fault text={error} />
    </>
  )
}
