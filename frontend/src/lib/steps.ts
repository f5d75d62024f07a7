/** In which order builds, the catalogue and shops were changed, so that one key undoes what was done last. */

export type Changed = 'build' | 'catalogue' | 'shops'

class Steps {
  #done: Changed[] = []
  #undone: Changed[] = []

  did(what: Changed): void {
    this.#done.push(what)
    this.#undone = []
  }

  /** What is to be undone next; of what was done before this page was opened, the build. */
  back(): Changed {
    const what = this.#done.pop() ?? 'build'
    this.#undone.push(what)
    return what
  }

  /** What is to be made again next. */
  forth(): Changed {
    const what = this.#undone.pop() ?? 'build'
    this.#done.push(what)
    return what
  }
}

export const steps = new Steps()
