;(() => {
  const steps = { ArrowDown: 1, ArrowUp: -1 }
  let chosen = null
  const walkedTo = (tree, before, step) => {
    const rows = [...tree.querySelectorAll('[role=treeitem]')]
    return rows[Math.min(rows.length - 1, Math.max(0, rows.indexOf(before) + step))]
  }
  const answer = (event) => {
    const tree = event.target.closest?.('[role=tree]')
    if (!tree || event.altKey || event.ctrlKey || event.metaKey) return
    const before = tree.querySelector('[aria-selected=true]')
    const step = steps[event.key]
    const row = event.type === 'click' ? event.target.closest('[role=treeitem]') : step && walkedTo(tree, before, step)
    if (!row) return
    before?.setAttribute('aria-selected', 'false')
    row.setAttribute('aria-selected', 'true')
    row.scrollIntoView({ block: 'nearest' })
    chosen = row.id
    event.preventDefault()
    // The map, half alive, must not answer the same press again.
    event.stopImmediatePropagation()
  }
  addEventListener('keydown', answer, true)
  addEventListener('click', answer, true)
  window.takeEarlyChoice = () => {
    removeEventListener('keydown', answer, true)
    removeEventListener('click', answer, true)
    return chosen
  }
})()
