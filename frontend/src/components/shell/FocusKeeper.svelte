<script lang="ts">
  import { tick } from 'svelte'
  import { useBuild } from '../../lib/build.svelte'

  /** Where an edit takes away what had the focus, the focus stays near by: not at the top of the page. */
  const FOCUSABLE = 'button:not(:disabled), a[href], input:not(:disabled), select:not(:disabled), summary'
  const MOMENT_MS = 150
  const build = $derived(useBuild()())
  let path: HTMLElement[] = []

  function remember(event: FocusEvent): void {
    path = event.composedPath().filter((node): node is HTMLElement => node instanceof HTMLElement)
  }

  function isGone(element: HTMLElement): boolean {
    return !element.isConnected || element.matches(':disabled')
  }

  async function keep(): Promise<void> {
    await tick()
    const [was] = path
    if (!was || document.activeElement !== document.body || !isGone(was)) return
    const around = path.filter((element) => element.isConnected && element !== document.body)
    for (const element of around) {
      const near = element.querySelector<HTMLElement>(FOCUSABLE)
      if (near) {
        near.focus()
        return
      }
    }
  }

  // What was pressed may go, or be switched off, a moment after the answer is there.
  $effect(() => {
    if (!build.reply) return
    void keep()
    const later = setTimeout(() => void keep(), MOMENT_MS)
    return () => clearTimeout(later)
  })
</script>

<svelte:document onfocusin={remember} />
