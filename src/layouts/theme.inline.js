// Before the first paint, so that a dark hall sees no white flash. Printing always takes the light theme.
;(() => {
  const root = document.documentElement
  const dark = matchMedia('(prefers-color-scheme: dark)')
  const chosen = () => {
    const { chosen } = root.dataset
    return (
      /^(dark|light)$/.exec(chosen)?.[0] ??
      (chosen === 'ask' ? /medida-theme=(dark|light)/.exec(document.cookie)?.[1] : undefined)
    )
  }
  const apply = () => {
    root.dataset.theme = chosen() ?? (dark.matches ? 'dark' : 'light')
  }
  apply()
  dark.addEventListener('change', apply)
  addEventListener('beforeprint', () => {
    root.dataset.theme = 'light'
  })
  addEventListener('afterprint', apply)
})()
