import { say } from '../labels/shell'
import type { Answer } from './http'
import { type Fate, type Item, isWaiting, keptAnswer, needs, overtakenBy, requestOf, UNSENT } from './item'

/** Whether the server takes things now: reached; not reached; reached, but this person's session has ended. */
export type Link = 'reached' | 'offline' | 'signedOut'

export interface OutboxState {
  /** Everything accepted on this device, in this tab or another, in the order of acceptance; what is stored included. */
  readonly items: readonly Item[]
  readonly link: Link
  /** What waits on this device has been looked up. */
  readonly loaded: boolean
  /** Whether this browser keeps what is accepted; one that does not (a private window, a full disk) needs the network. */
  readonly keeps: boolean
}

/** What an author who waits for an answer is told. Queued: kept on this device, sent when the server can be reached. */
export type Told =
  | { readonly kind: 'stored' }
  | { readonly kind: 'queued' }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'overtaken' }

/** What is kept on this device, for every tab. */
export interface ItemStore {
  all(personId: string): Promise<readonly Item[]>
  /** Puts in the place of what stands under an id what is made of it, in one step; null takes it away. */
  change(id: string, make: (kept: Item | undefined) => Item | null): Promise<void>
  /** Writes an item down before it returns, as well as the browser lets it: a page that ends before `change` has, leaves this. */
  jot(item: Item): void
  /** What pages have jotted down and not rubbed out. */
  jotted(personId: string): readonly Item[]
  rub(id: string): void
}

/** Everything outside: so that a test can break the network, fill the disk, close a tab and turn the clock. */
export interface OutboxWorld {
  readonly store: ItemStore
  post(path: string, body: unknown): Promise<Answer<unknown>>
  nowMs(): number
  /** Calls every so many milliseconds, and when the network comes back; the answer stops that. */
  again(everyMs: number, call: () => void): () => void
  /** Tells other tabs that what is kept here has changed. */
  tell(): void
  /** Calls when another tab has told; the answer stops that. */
  heard(call: () => void): () => void
}

export interface Outbox {
  state(): OutboxState
  /** Calls at each change; the first one begins the work, the last that goes ends it. */
  subscribe(call: () => void): () => void
  /** Takes what its author accepted: kept here first, then sent in order. A broken network only delays it. */
  accept(item: Item): void
  /** The same, for an author who waits with the text in hand: what is refused is theirs again, and kept here no more. */
  acceptAndWait(item: Item): Promise<Told>
  /** Sends once more what was refused or overtaken, changed or as it is. */
  sendAgain(item: Item): void
  /** Gives something up. */
  drop(id: string): void
  sendNow(): void
}

const RETRY_MS = 4_000
/** How long a stored thing is still kept here: longer than any page takes to come up. */
const KEPT_MS = 120_000

const NOT_REACHED = say.serverCannotReached

const WAITING: Fate = { kind: 'waiting' }

/** Where an item is besides in this tab: on its way into the store; in the store; nowhere, because the store did not take it. */
type Place = 'coming' | 'device' | 'nowhere'

interface Held {
  readonly item: Item
  readonly place: Place
}

/** An ended session refuses the person, not the item: it stays queued, and so does what is behind a rate limit. */
function linkAfter(answer: Answer<unknown>): Link {
  if (answer.kind === 'offline') return 'offline'
  if (answer.kind === 'ok') return 'reached'
  if (answer.status === 401) return 'signedOut'
  return answer.status === 429 ? 'offline' : 'reached'
}

const sameFate = (a: Item, b: Item): boolean => a.fate.kind === b.fate.kind && JSON.stringify(a) === JSON.stringify(b)

/**
 * What a person accepted on this device, on its way to the server: readings and entries of all their jobs in one order. Each
 * is kept before it is sent, sent again until there is an answer, and carries its id, so that the server stores it once.
 */
export function openOutbox(personId: string, world: OutboxWorld): Outbox {
  const { store } = world
  const held = new Map<string, Held>()
  /** Given up here, whether or not it has left the store yet. */
  const dropped = new Set<string>()
  const waiters = new Map<string, (told: Told) => void>()
  const listeners = new Set<() => void>()
  let state: OutboxState = { items: [], link: 'reached', loaded: false, keeps: true }
  let stop: (() => void) | null = null
  let sending = false
  let askedAgain = false

  const isOpen = (): boolean => stop !== null
  const show = (change: Partial<Omit<OutboxState, 'items'>> = {}): void => {
    const items = [...held.values()].map(({ item }) => item).sort((a, b) => (a.id < b.id ? -1 : 1))
    state = { ...state, ...change, items }
    for (const call of listeners) call()
  }
  const hold = (item: Item, place: Place): void => void held.set(item.id, { item, place })

  /** The store is asked one thing after the other: what it answers is never older than what this tab knows. */
  let turn: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(ask: () => Promise<T>): Promise<T> => {
    const answer = turn.then(ask)
    turn = answer.catch(() => undefined)
    return answer
  }

  /** Puts on this device what a page jotted down and ended before it could. */
  const takeOver = async (): Promise<void> => {
    for (const item of store.jotted(personId)) {
      if (held.has(item.id)) continue
      const hasIt = (kept: Item | undefined): kept is Item => kept?.fate.kind === 'waiting' || kept?.fate.kind === 'stored'
      if (!dropped.has(item.id)) await store.change(item.id, (kept) => (hasIt(kept) ? kept : item))
      store.rub(item.id)
    }
  }

  const look = (): Promise<void> =>
    inTurn(async () => {
      await takeOver().catch(() => undefined)
      const kept = await store.all(personId).catch(() => null)
      if (kept === null) return show({ loaded: true, keeps: false })
      const ids = new Set(kept.map(({ id }) => id))
      let news = !state.loaded
      for (const item of kept) {
        const before = held.get(item.id)
        // What this tab could not write down it knows better than the device, unless another tab has sent it.
        const isKnown = before !== undefined && (before.item.fate.kind === 'stored' || sameFate(before.item, item))
        const isNewer = before !== undefined && before.place !== 'device' && item.fate.kind !== 'stored'
        if (dropped.has(item.id) || isKnown || isNewer) continue
        hold(item, 'device')
        news = true
      }
      // What was kept and is no more was dropped in another tab, unless it is long stored.
      for (const [id, { item, place }] of held) {
        if (place !== 'device' || item.fate.kind === 'stored' || ids.has(id)) continue
        held.delete(id)
        news = true
      }
      const old = kept.filter(({ fate }) => fate.kind === 'stored' && fate.atMs < world.nowMs() - KEPT_MS)
      for (const { id } of old) await store.change(id, () => null).catch(() => undefined)
      if (news) show({ loaded: true })
    })

  /** Puts on this device what it did not take before; it goes before what may need it. */
  const keepOlder = async (): Promise<void> => {
    for (const { item, place } of [...held.values()]) {
      if (place !== 'nowhere' || !isWaiting(item)) continue
      await store.change(item.id, () => item)
      hold(item, 'device')
    }
  }

  /** Puts an item on this device; one that cannot be kept is held in this tab, and goes to the server at once or not at all. */
  const keep = async (item: Item): Promise<void> => {
    dropped.delete(item.id)
    store.jot(item)
    hold(item, 'coming')
    show()
    const isKept = await inTurn(async () => {
      await keepOlder()
      await store.change(item.id, () => item)
    }).then(
      () => true,
      () => false,
    )
    store.rub(item.id)
    const now = held.get(item.id)
    if (now) hold(now.item, isKept ? 'device' : 'nowhere')
    show({ keeps: isKept })
    if (isKept) world.tell()
    void send()
  }

  /** Notes what became of an item, here and on the device; what the server has stored stays stored. */
  const become = async (id: string, fate: Fate): Promise<void> => {
    const now = held.get(id)
    if (!now) return
    hold({ ...now.item, fate }, now.place)
    show()
    const noted = (kept: Item | undefined): Item | null =>
      kept === undefined ? null : kept.fate.kind === 'stored' ? kept : { ...kept, fate }
    const write = (make: (kept: Item | undefined) => Item | null) => inTurn(() => store.change(id, make)).then(world.tell)
    try {
      await write(noted)
    } catch {
      hold({ ...now.item, fate }, 'nowhere')
      // A full disk still lets go of what the server has.
      if (fate.kind === 'stored') await write(() => null).catch(() => undefined)
    }
  }

  const forget = (id: string): void => {
    dropped.add(id)
    held.delete(id)
    store.rub(id)
    show()
    void inTurn(() => store.change(id, () => null)).then(world.tell, () => undefined)
  }

  const tellWaiter = (id: string, told: Told): boolean => {
    const waiter = waiters.get(id)
    waiters.delete(id)
    waiter?.(told)
    return waiter !== undefined
  }

  /** The next to go: the oldest that waits, unless something it needs is still here. */
  const next = (): Item | undefined => {
    const here = state.items.filter(({ fate }) => fate.kind === 'waiting' || fate.kind === 'overtaken')
    for (const item of here) {
      // Nothing overtakes what is on its way into the store.
      if (held.get(item.id)?.place === 'coming') return undefined
      if (isWaiting(item) && !here.some((other) => needs(item, other))) return item
    }
    return undefined
  }

  /** Nobody answers: authors go on, and what is kept nowhere is not accepted. */
  const notReached = async (answer: Answer<unknown>): Promise<void> => {
    const message = answer.kind === 'refused' ? answer.message : NOT_REACHED
    for (const { item, place } of [...held.values()]) {
      if (!isWaiting(item)) continue
      if (place !== 'nowhere') tellWaiter(item.id, { kind: 'queued' })
      else if (tellWaiter(item.id, { kind: 'refused', message })) forget(item.id)
      else await become(item.id, { kind: 'refused', status: UNSENT, message })
    }
  }

  /** Sends one item; false when nothing can be sent now. */
  const deliver = async (item: Item): Promise<boolean> => {
    const { path, body } = requestOf(item)
    const answer = await world.post(path, body)
    if (!isOpen()) return false
    const link = linkAfter(answer)
    if (link !== state.link) show({ link })
    if (link !== 'reached') {
      await notReached(answer)
      return false
    }
    if (answer.kind === 'ok') {
      await become(item.id, { kind: 'stored', atMs: world.nowMs(), answer: keptAnswer(item, answer.value) })
      tellWaiter(item.id, { kind: 'stored' })
    } else if (answer.kind === 'refused') {
      const { status, message, standing } = answer
      const mine = standing && overtakenBy(item, standing)
      if (mine) {
        await become(item.id, { kind: 'overtaken', standing, mine, message })
        tellWaiter(item.id, { kind: 'overtaken' })
      } else if (tellWaiter(item.id, { kind: 'refused', message })) forget(item.id)
      else await become(item.id, { kind: 'refused', status, message })
    }
    return true
  }

  const send = async (): Promise<void> => {
    askedAgain = true
    if (sending) return
    sending = true
    try {
      // Looked up anew after each one: more may have been accepted while it was on its way, here or in another tab.
      while (askedAgain && isOpen()) {
        askedAgain = false
        await look()
        const item = next()
        if (!item) continue
        askedAgain = await deliver(item)
      }
    } finally {
      sending = false
    }
  }

  const begin = (): (() => void) => {
    const stops = [world.again(RETRY_MS, () => void send()), world.heard(() => void look())]
    return () => {
      for (const one of stops) one()
    }
  }

  return {
    state: () => state,
    subscribe: (call) => {
      listeners.add(call)
      if (!stop) {
        stop = begin()
        void send()
      }
      return () => {
        listeners.delete(call)
        if (listeners.size > 0) return
        stop?.()
        stop = null
      }
    },
    accept: (item) => void keep(item),
    acceptAndWait: (item) => {
      const told = new Promise<Told>((resolve) => waiters.set(item.id, resolve))
      void keep(item)
      return told
    },
    sendAgain: (item) => void keep({ ...item, fate: WAITING }),
    drop: forget,
    sendNow: () => void send(),
  }
}
