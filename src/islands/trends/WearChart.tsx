import {
  CategoryScale,
  Chart,
  type ChartConfiguration,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { useEffect, useRef } from 'react'
import { figuresAt } from '../../contract/figuresAt'
import type { Characteristic } from '../../core/book/bookSchema'
import type { CharacteristicResult } from '../../core/evaluate/results'
import { formatHours } from '../../core/quantity/format'
import type { Meter } from '../../core/quantity/meter'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { meterHead, ranAtWords } from '../../core/words/meter'
import { say } from '../../labels/trends'
import styles from './TrendPage.module.css'

Chart.register(CategoryScale, Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip)

export interface WearChartProps {
  readonly characteristic: Characteristic
  readonly result: CharacteristicResult
  readonly system: UnitSystem
  readonly meter: Meter
  /** In words, for those who cannot see the chart. */
  readonly describe: string
}

/** One wear line against running hours with its plan and wear limits, what is expected next and the band in which it may lie. */
export function WearChart({ characteristic, result, system, meter, describe }: WearChartProps) {
  const ref = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const canvas = ref.current
    if (!canvas) return
    let chart = new Chart(canvas, configuration(characteristic, result, system, meter))
    const redraw = (): void => {
      chart.destroy()
      chart = new Chart(canvas, configuration(characteristic, result, system, meter))
    }
    // Colours come from the tokens and change with the theme.
    addEventListener('medida-theme', redraw)
    return () => {
      removeEventListener('medida-theme', redraw)
      chart.destroy()
    }
  }, [characteristic, result, system, meter])
  return (
    <div className={styles.chart}>
      <canvas ref={ref} role="img" aria-label={describe} />
    </div>
  )
}

function configuration(
  characteristic: Characteristic,
  result: CharacteristicResult,
  system: UnitSystem,
  meter: Meter,
): ChartConfiguration<'line'> {
  const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
  const judges = characteristic.limits[0]?.judges
  const { figure: figureOf, unit } = figuresAt({ characteristic, system }, judges)
  // Drawn in inches where lengths are shown in them, so that the ticks are round.
  const perShown = unit === 'in' ? 25.4 : 1
  const value = (fixed: number): number => fixed / perShown
  const figure = (shown: number): string => figureOf(shown * perShown)
  const [limit] = characteristic.limits
  const { line, forecast } = result
  const last = line.at(-1)
  const first = line[0]
  const edge = (end: 'low' | 'high', label: string, fill: string | false) =>
    forecast && last
      ? [
          {
            label,
            data: [
              { x: last.runningHours, y: value(last.value) },
              { x: forecast.atHours, y: value(forecast[end]) },
            ],
            borderColor: token('--blue'),
            borderWidth: 0.8,
            pointRadius: 0,
            backgroundColor: token('--forecast-band'),
            fill,
          },
        ]
      : []
  const hours = [...line.map((point) => point.runningHours), ...(forecast ? [forecast.atHours] : [])]
  // Whole thousands, so that the first and last tick are round.
  const from = Math.floor(Math.min(...hours) / 1000 - 0.5) * 1000
  const to = Math.ceil(Math.max(...hours) / 1000 + 0.5) * 1000
  const level = (mm: number | null | undefined, label: string, colour: string, dash: number[]) =>
    mm === null || mm === undefined
      ? []
      : [
          {
            label,
            data: [from, to].map((x) => ({ x, y: value(mm) })),
            borderColor: colour,
            borderWidth: 1.6,
            borderDash: dash,
            pointRadius: 0,
            pointHitRadius: 0,
          },
        ]
  const text = { color: token('--ink-2'), font: { family: token('--text-narrow'), size: 13 } }
  const ticks = { ...text, font: { family: token('--figure'), size: 12 } }
  const grid = { color: token('--rule-2') }
  return {
    type: 'line',
    data: {
      datasets: [
        {
          label: say.measuredValues,
          data: line.map((point) => ({ x: point.runningHours, y: value(point.value) })),
          borderColor: token('--blue'),
          backgroundColor: token('--blue'),
          borderWidth: 2,
          pointRadius: 5,
          pointHoverRadius: 7,
        },
        ...(forecast && last
          ? [
              {
                label: say.expectedValue,
                data: [
                  { x: last.runningHours, y: value(last.value) },
                  { x: forecast.atHours, y: value(forecast.value) },
                ],
                borderColor: token('--blue'),
                borderDash: [4, 4],
                borderWidth: 1.6,
                pointRadius: [0, 5],
                pointStyle: 'rectRot' as const,
                backgroundColor: token('--sheet'),
              },
            ]
          : []),
        ...edge('low', say.mayAsLittle, false),
        ...edge('high', say.mayAsMuch, '-1'),
        ...level(limit?.plan, say.planLimitWord, token('--recondition'), [3, 3]),
        ...level(limit?.wear, say.wearLimitWord, token('--replace'), []),
        ...(first ? level(characteristic.new?.nominal, say.newNominal, token('--ink-3'), [8, 4]) : []),
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      scales: {
        x: {
          type: 'linear',
          min: from,
          max: to,
          title: { ...text, display: true, text: meterHead(meter) },
          ticks: { ...ticks, callback: (x) => (meter === 'days' ? ranAtWords(Number(x), meter) : formatHours(Number(x))) },
          grid,
        },
        y: {
          title: { ...text, display: true, text: unit === '' ? characteristic.name : `${characteristic.name}, ${unit}` },
          ticks: { ...ticks, callback: (y) => figure(Number(y)) },
          grid,
        },
      },
      plugins: {
        legend: {
          position: 'bottom',
          labels: { ...text, boxWidth: 28, boxHeight: 1, padding: 18, filter: ({ text: label }) => !label.startsWith('may be') },
        },
        tooltip: {
          callbacks: {
            title: (items) => ranAtWords(items[0]?.parsed.x ?? 0, meter),
            label: (item) => `${item.dataset.label}: ${figure(item.parsed.y ?? 0)} ${unit}`,
          },
        },
      },
    },
  }
}
