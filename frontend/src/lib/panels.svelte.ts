/** Which panel is open over the build. */

class Panels {
  why = $state.raw<{ id: string; subjectId: string } | null>(null)
  shortcuts = $state(false)
  /** The part that somebody asks about: why it does not work here. */
  whyNot = $state.raw<{ part: string; name: string } | null>(null)

  /** Opens the workings of the verdict of check `id` about the player of `subjectId`. */
  ask(id: string, subjectId = ''): void {
    this.why = { id, subjectId }
  }
}

export const panels = new Panels()
