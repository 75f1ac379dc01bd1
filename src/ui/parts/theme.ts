'use client'

/** Changes between plaster (light) and slate (dark), and remembers which. */
export function toggleTheme(): void {
  const root = document.documentElement
  const next = root.dataset.theme === 'slate' ? 'plaster' : 'slate'
  if (next === 'slate') root.dataset.theme = 'slate'
  else delete root.dataset.theme
  try {
    localStorage.setItem('mosaicus:theme', next)
  } catch {
    /* the choice lasts as long as the page */
  }
}
