import { useState } from 'react'
import type { DraftChange } from '../../contract/bodies'
import type { Part, Route } from '../../core/book/bookSchema'
import { KIT_DOCUMENT } from '../../core/book/kitDocument'
import type { AdditionOf } from '../../core/notes/additionSchema'
import { figureText } from '../../core/quantity/figureText'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { say } from '../../labels/limitSheet'
import { Button } from '../../ui/Button'
import { AddWay } from '../additions/AddWay'
import styles from './LimitSheet.module.css'
import type { Sheet } from './useSheet'

type Typed = AdditionOf<'route'>
type RouteBody = Extract<DraftChange, { readonly kind: 'route' }>['what']

/** The ways to bring the part of a row back, with what their document says of them: the size left, and the most off in all. */
export function RoutesBeside({ part, of, sheet, mayType }: { part: Part; of: string; sheet: Sheet; mayType: boolean }) {
  const [asked, setAsked] = useState<{ readonly id: string | null; readonly what: Typed | null } | null>(null)
  const { book, machine } = sheet.draft.view
  const routes = part.routes.filter(({ mends }) => mends.includes(of))
  const typedOf = (route: Route): Typed => routeTyped(part, route, book.documents, sheet.units)
  return (
    <div className={styles.setting}>
      <p>{say.waysBack}</p>
      <ul className={styles.routes}>
        {routes.map((route) => (
          <li key={route.id}>
            <b>{route.name}</b>: {leftBy(route, sheet.units)}
            {mayType && (
              <span className={styles.actions}>
                <Button kind="quiet" disabled={sheet.busy} onClick={() => setAsked({ id: route.id, what: typedOf(route) })}>
                  {say.changeSetting}
                  <span className="hidden-label"> {route.name}</span>
                </Button>
                {route.sizeAfter && (
                  <Button
                    kind="quiet"
                    disabled={sheet.busy}
                    onClick={() => setAsked({ id: null, what: nextStep(typedOf(route)) })}
                  >
                    {say.anotherStep}
                    <span className="hidden-label"> {route.name}</span>
                  </Button>
                )}
              </span>
            )}
          </li>
        ))}
        {routes.length === 0 && <li>{say.noWayBack}</li>}
      </ul>
      {mayType && (
        <Button disabled={sheet.busy} onClick={() => setAsked({ id: null, what: null })}>
          {say.anotherWay}
        </Button>
      )}
      {asked && (
        <AddWay
          to={{
            key: `draft ${machine.id}`,
            book,
            system: sheet.units,
            add: (_, what) =>
              what.of === 'route'
                ? sheet.draft.tell({ kind: 'route', replaces: asked.id, what: what as RouteBody })
                : Promise.resolve(null),
          }}
          part={part}
          before={asked.id !== null && asked.what ? { id: asked.id, what: asked.what } : null}
          start={asked.what}
          isRoute
          onDone={() => setAsked(null)}
          onClose={() => setAsked(null)}
        />
      )}
    </div>
  )
}

/** The next step of a route: the same work, to another size. */
function nextStep({ leaves: _, ...what }: Typed): Typed {
  return { ...what, name: '' }
}

/** What a route does to the size, in one line. */
function leftBy({ effect, sizeAfter, mostOffMm, finish }: Route, system: UnitSystem): string {
  const figure = (value: number): string => figureText(value, 'length', system)
  const size = sizeAfter
    ? say.leaves(figure(sizeAfter.leastMm), figure(sizeAfter.greatestMm))
    : effect === 'takesOff' || effect === undefined
      ? say.leavesNothing
      : effect === 'refits'
        ? say.changesNone
        : say.leavesNew
  return [size, ...(mostOffMm === undefined ? [] : [say.mostOff(figure(mostOffMm))]), ...(finish ? [finish] : [])].join('; ')
}

/** A route of the draft as its form asks for it. */
function routeTyped(
  part: Part,
  { name, mends, effect, sizeAfter, suits, mostOffMm, finish, cost, days, source }: Route,
  documents: readonly { readonly id: string; readonly title: string; readonly revision: string }[],
  system: UnitSystem,
): Typed {
  const figure = (value: number): string => figureText(value, 'length', system)
  // The kit is no document that says what a route leaves.
  const { document, page } = source.document === KIT_DOCUMENT ? { document: '', page: '' } : source
  const named = documents.find(({ id }) => id === document)
  return {
    of: 'route',
    part: part.id,
    name,
    mends,
    ...(effect ? { effect } : {}),
    ...(sizeAfter
      ? {
          leaves: {
            of: sizeAfter.characteristic,
            least: figure(sizeAfter.leastMm),
            greatest: figure(sizeAfter.greatestMm),
            cleanUp: figure(sizeAfter.cleanUpMm),
          },
        }
      : {}),
    ...(suits ? { suits } : {}),
    ...(mostOffMm === undefined ? {} : { mostOff: figure(mostOffMm) }),
    ...(finish ? { finish } : {}),
    cost,
    days,
    source: { document: named ?? { id: document, title: document, revision: '' }, page },
  }
}
