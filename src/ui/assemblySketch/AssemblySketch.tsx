import { useId } from 'react'
import { assemblySketches } from '../../drawing/assemblySketch'
import styles from './AssemblySketch.module.css'

/** How an assembly of the kit looks; its name stands beside it. */
export function AssemblySketch({ assembly }: { readonly assembly: string }) {
  const hatch = useId()
  const sketch = assemblySketches[assembly]
  if (!sketch) return null
  return (
    <svg className={styles.sketch} viewBox="0 0 140 90" aria-hidden="true">
      <defs>
        <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" className={styles.hatch} />
        </pattern>
      </defs>
      {sketch.cut !== '' && <path d={sketch.cut} fill={`url(#${hatch})`} fillRule="evenodd" className={styles.ink} />}
      <path d={sketch.ink} className={styles.ink} fill="none" />
      {sketch.axis !== '' && <path d={sketch.axis} className={styles.axis} fill="none" />}
    </svg>
  )
}
