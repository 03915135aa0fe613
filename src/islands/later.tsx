import { type ComponentType, type LazyExoticComponent, lazy } from 'react'
import { say } from '../labels/shell'
import { Dialog } from '../ui/Dialog'

interface Closing {
  readonly onClose: () => void
}

/** Stands for a dialog that could not be fetched: the page behind it goes on. */
const NotFetched = ({ onClose }: Closing) => (
  <Dialog title={say.notFetched} onClose={onClose}>
    <p>{say.reloadWhenBack}</p>
  </Dialog>
)

/** A dialog that is fetched when it is asked for. */
export const later = <P extends Closing>(load: () => Promise<ComponentType<P>>): LazyExoticComponent<ComponentType<P>> =>
  lazy(() =>
    load().then(
      (component) => ({ default: component }),
      () => ({ default: NotFetched as ComponentType<P> }),
    ),
  )
