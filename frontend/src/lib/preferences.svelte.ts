/** What this browser remembers: theme, and whether single keys are shortcuts. */

type Theme = 'paper' | 'night'

function read(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null // Storage is switched off; the choice then lasts as long as the page.
  }
}

function keep(key: string, value: string): void {
  try {
    localStorage.setItem(key, value)
  } catch {
    // As above.
  }
}

class Preferences {
  theme = $state<Theme>('paper')
  singleKeys = $state(true)

  constructor() {
    const kept = read('jungle-theme')
    const dark = matchMedia('(prefers-color-scheme: dark)').matches
    this.setTheme(kept === 'night' || (kept === null && dark) ? 'night' : 'paper', false)
    this.singleKeys = read('jungle-single-keys') !== 'off'
  }

  setTheme(theme: Theme, remember = true): void {
    this.theme = theme
    document.documentElement.dataset.theme = theme
    if (remember) keep('jungle-theme', theme)
  }

  toggleTheme(): void {
    this.setTheme(this.theme === 'paper' ? 'night' : 'paper')
  }

  setSingleKeys(on: boolean): void {
    this.singleKeys = on
    keep('jungle-single-keys', on ? 'on' : 'off')
  }
}

export const preferences = new Preferences()
