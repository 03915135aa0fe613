import { assemblies } from '../../core/kit/assemblies'
import type { Assembly } from '../../core/kit/assembly'
import { say } from '../../labels/compose'
import { AssemblySketch } from '../../ui/assemblySketch/AssemblySketch'
import styles from './Compose.module.css'
import { foundBy } from './found'

interface CardsProps {
  readonly words: string
  readonly chosen: string
  readonly onChoose: (assembly: Assembly) => void
}

/** The kit as drawings to choose from: what was typed first, then the others. */
export function AssemblyCards({ words, chosen, onChoose }: CardsProps) {
  const { found, others } = foundBy(words)
  return (
    <div role="radiogroup" aria-label={say.find}>
      <Cards title={words.trim() === '' ? say.all : say.begins(words.trim())} of={found} chosen={chosen} onChoose={onChoose} />
      {others.length > 0 && <Cards title={say.others} of={others} chosen={chosen} onChoose={onChoose} />}
    </div>
  )
}

function Cards({
  title,
  of,
  chosen,
  onChoose,
}: Omit<CardsProps, 'words'> & { readonly title: string; readonly of: readonly Assembly[] }) {
  return (
    <>
      <p className={styles.over}>
        <span>{title}</span>
        <span className="figure">{say.ofAll(of.length, assemblies.length)}</span>
      </p>
      <div className={styles.cards}>
        {of.map((assembly) => (
          <label key={assembly.id} className={styles.card} data-chosen={assembly.id === chosen || undefined}>
            <input
              type="radio"
              name="assembly"
              value={assembly.id}
              checked={assembly.id === chosen}
              onChange={() => onChoose(assembly)}
            />
            <AssemblySketch assembly={assembly.id} />
            <span>{assembly.name}</span>
          </label>
        ))}
      </div>
    </>
  )
}
