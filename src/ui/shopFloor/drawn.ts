import { createElement, type FunctionComponent } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { LimitRibbon } from '../limitRibbon/LimitRibbon'
import { StepTrack } from './StepTrack'

/**
 * The markup of a drawing, made once for as long as what it is of stays the same. Some two hundred stand on the shop floor; as
 * components of the page each would be a stream of its own.
 */
function drawnOnce<P extends object>(drawing: FunctionComponent<P>): (of: object, props: P) => string {
  const known = new WeakMap<object, string>()
  return (of, props) => {
    const markup = known.get(of) ?? renderToStaticMarkup(createElement(drawing, props))
    known.set(of, markup)
    return markup
  }
}

export const drawnRibbon = drawnOnce(LimitRibbon)
export const drawnTrack = drawnOnce(StepTrack)
