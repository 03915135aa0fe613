import type Konva from 'konva'
import { useEffect, useRef, useState } from 'react'
import type { PictureMark } from '../../core/notes/shapes'
import { say } from '../../labels/picture'
import { Button, Key } from '../../ui/Button'
import { DialogActions } from '../../ui/Dialog'
import { TextField } from '../../ui/Field'
import styles from './Pictures.module.css'

type Tool = PictureMark['kind']

const toolName: Record<Tool, string> = { arrow: 'Arrow', ring: say.ring, text: 'Text' }
const MOST_WIDTH = 720
const MOST_HEIGHT = 460
/** How far an arrow key moves a mark, as a part of the picture. */
const NUDGE = 0.01

const clamped = (value: number): number => Math.min(1, Math.max(0, value))
const moved = (point: readonly [number, number], dx: number, dy: number): [number, number] => [
  clamped(point[0] + dx),
  clamped(point[1] + dy),
]

function moveMark(mark: PictureMark, dx: number, dy: number): PictureMark {
  return mark.kind === 'arrow'
    ? { ...mark, from: moved(mark.from, dx, dy), to: moved(mark.to, dx, dy) }
    : { ...mark, at: moved(mark.at, dx, dy) }
}

function growMark(mark: PictureMark, by: number): PictureMark {
  switch (mark.kind) {
    case 'ring':
      return { ...mark, radius: [clamped(mark.radius[0] * by), clamped(mark.radius[1] * by)] }
    case 'arrow': {
      const [dx, dy] = [(mark.from[0] - mark.to[0]) * by, (mark.from[1] - mark.to[1]) * by]
      return { ...mark, from: [clamped(mark.to[0] + dx), clamped(mark.to[1] + dy)] }
    }
    case 'text':
      return mark
  }
}

/** Drawing on a picture: drag with finger or mouse, or place a mark and move it with the keys. */
export function DrawOnPicture({
  source,
  width,
  height,
  marks: before,
  onSave,
  onCancel,
}: {
  readonly source: string
  readonly width: number
  readonly height: number
  readonly marks: readonly PictureMark[]
  readonly onSave: (marks: PictureMark[]) => void
  readonly onCancel: () => void
}) {
  const [marks, setMarks] = useState<readonly PictureMark[]>(before)
  const [tool, setTool] = useState<Tool>('ring')
  const [text, setText] = useState('')
  const [ready, setReady] = useState(false)
  const holder = useRef<HTMLDivElement>(null)
  const layer = useRef<Konva.Layer | null>(null)
  const konva = useRef<typeof Konva | null>(null)
  const scale = Math.min(MOST_WIDTH / width, MOST_HEIGHT / height)
  const [shownWidth, shownHeight] = [Math.round(width * scale), Math.round(height * scale)]

  const using = useRef({ tool, text })
  using.current = { tool, text }

  useEffect(() => {
    let gone = false
    let stage: Konva.Stage | undefined
    const image = new Image()
    image.src = source
    // The drawing library is fetched only when somebody draws.
    void Promise.all([import('konva'), image.decode()]).then(([{ default: library }]) => {
      if (gone || !holder.current) return
      konva.current = library
      const made = new library.Stage({ container: holder.current, width: shownWidth, height: shownHeight })
      stage = made
      const ground = new library.Layer({ listening: false })
      ground.add(new library.Image({ image, width: shownWidth, height: shownHeight }))
      layer.current = new library.Layer({ listening: false })
      made.add(ground, layer.current)
      let from: [number, number] | null = null
      const place = (): [number, number] | null => {
        const at = made.getPointerPosition()
        return at ? [clamped(at.x / shownWidth), clamped(at.y / shownHeight)] : null
      }
      made.on('pointerdown', () => {
        from = place()
      })
      made.on('pointerup', () => {
        const to = place()
        if (from && to) {
          const mark = markBetween(using.current.tool, from, to, using.current.text)
          if (mark) setMarks((all) => [...all, mark])
        }
        from = null
      })
      setReady(true)
    })
    return () => {
      gone = true
      stage?.destroy()
    }
  }, [source, shownWidth, shownHeight])

  useEffect(() => {
    const library = konva.current
    if (!ready || !library || !layer.current) return
    layer.current.destroyChildren()
    const colour = getComputedStyle(document.documentElement).getPropertyValue('--mark').trim()
    for (const mark of marks) layer.current.add(shapeOf(library, mark, shownWidth, shownHeight, colour))
    layer.current.batchDraw()
  }, [marks, ready, shownWidth, shownHeight])

  const changeLast = (change: (mark: PictureMark) => PictureMark): void =>
    setMarks((all) => all.map((mark, index) => (index === all.length - 1 ? change(mark) : mark)))
  const addInMiddle = (): void => {
    const mark = markBetween(tool, [0.42, 0.42], [0.58, 0.58], text)
    if (mark) setMarks((all) => [...all, mark])
  }

  return (
    <div className={styles.draw}>
      <div className={styles.tools} role="toolbar" aria-label={say.drawing}>
        {(['arrow', 'ring', 'text'] as const).map((kind) => (
          <Button key={kind} aria-pressed={tool === kind} data-chosen={tool === kind || undefined} onClick={() => setTool(kind)}>
            {toolName[kind]}
          </Button>
        ))}
        <Button onClick={addInMiddle} disabled={tool === 'text' && text.trim() === ''}>
          {say.placeMiddle(toolName[tool].toLowerCase())}
        </Button>
        <Button onClick={() => setMarks((all) => all.slice(0, -1))} disabled={marks.length === 0}>
          {say.takeBackLast}
        </Button>
      </div>
      {tool === 'text' && (
        <TextField
          label={say.text}
          hint={say.thenTapWhere}
          value={text}
          maxLength={80}
          onChange={(event) => setText(event.currentTarget.value)}
        />
      )}
      <section
        ref={holder}
        className={styles.canvas}
        style={{ inlineSize: shownWidth, blockSize: shownHeight }}
        aria-label={say.pictureDrawArrow}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the drawing takes the arrow keys for the last mark
        tabIndex={0}
        onKeyDown={(event) => {
          const step: Partial<Record<string, [number, number]>> = {
            ArrowLeft: [-NUDGE, 0],
            ArrowRight: [NUDGE, 0],
            ArrowUp: [0, -NUDGE],
            ArrowDown: [0, NUDGE],
          }
          const by = step[event.key]
          if (by) changeLast((mark) => moveMark(mark, by[0], by[1]))
          else if (event.key === '+') changeLast((mark) => growMark(mark, 1.15))
          else if (event.key === '-') changeLast((mark) => growMark(mark, 1 / 1.15))
          else if (event.key === 'Delete' || event.key === 'Backspace') setMarks((all) => all.slice(0, -1))
          else return
          event.preventDefault()
        }}
      />
      <p className={styles.hint}>
        {say.dragDrawKeyboard} <Key>←</Key> <Key>→</Key> <Key>↑</Key> <Key>↓</Key> {say.move} <Key>+</Key> <Key>-</Key>{' '}
        {say.changeSize}
      </p>
      <DialogActions>
        <Button onClick={onCancel}>{say.leaveAs}</Button>
        <Button kind="primary" onClick={() => onSave([...marks])}>
          {say.keepDrawing}
        </Button>
      </DialogActions>
    </div>
  )
}

/** What a drag from one point to another means; null for a text without words. */
function markBetween(tool: Tool, from: [number, number], to: [number, number], text: string): PictureMark | null {
  switch (tool) {
    case 'arrow':
      return { kind: 'arrow', from, to }
    case 'ring': {
      const half = (axis: 0 | 1): number => Math.max(0.02, Math.abs(to[axis] - from[axis]) / 2)
      return { kind: 'ring', at: [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2], radius: [half(0), half(1)] }
    }
    case 'text':
      return text.trim() === '' ? null : { kind: 'text', at: from, text: text.trim() }
  }
}

function shapeOf(library: typeof Konva, mark: PictureMark, width: number, height: number, colour: string) {
  const stroke = { stroke: colour, strokeWidth: 4 }
  switch (mark.kind) {
    case 'arrow':
      return new library.Arrow({
        points: [mark.from[0] * width, mark.from[1] * height, mark.to[0] * width, mark.to[1] * height],
        fill: colour,
        pointerLength: 14,
        pointerWidth: 12,
        ...stroke,
      })
    case 'ring':
      return new library.Ellipse({
        x: mark.at[0] * width,
        y: mark.at[1] * height,
        radiusX: mark.radius[0] * width,
        radiusY: mark.radius[1] * height,
        ...stroke,
      })
    case 'text':
      return new library.Text({
        x: mark.at[0] * width,
        y: mark.at[1] * height - 26,
        text: mark.text,
        fontSize: 28,
        fontFamily: 'Barlow, sans-serif',
        fontStyle: '600',
        fill: colour,
        stroke: '#ffffff',
        strokeWidth: 4,
        fillAfterStrokeEnabled: true,
      })
  }
}
