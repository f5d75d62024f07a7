<script lang="ts">
  import type { Problem } from '../api/client'
  import { session } from '../lib/session.svelte'

  interface Props {
    label: string
    /** The quantity as the core tells it; empty where nothing is set. */
    text: string
    commit: (typed: string) => Promise<Problem[]>
    /** Record and field that it enters, for who is sent here. */
    field?: string | undefined
    hint?: string
    width?: string
    showLabel?: boolean
    start?: boolean
    done?: () => void
  }

  let {
    label,
    text,
    commit,
    field,
    hint = '',
    width = '6.5rem',
    showLabel = false,
    start = false,
    done,
  }: Props = $props()
  const id = $props.id()
  const EDGE = 12
  let typed = $state<string | null>(null)
  let problem = $state('')
  const shown = $derived(typed ?? text)

  async function finish(): Promise<void> {
    if (typed === null || typed.trim() === text) {
      leave()
      return
    }
    const [first] = await commit(typed.trim())
    if (first) problem = `${first.value || 'An empty field'} is not accepted: ${first.accepted}`
    else leave()
  }

  function leave(): void {
    typed = null
    problem = ''
    done?.()
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Enter') void finish()
    if (event.key === 'Escape') {
      event.stopPropagation()
      leave()
    }
  }

  /** What is wrong stands under the field and pushes the rest down; where it would leave the panel, further left. */
  function keepInside(message: HTMLElement): void {
    const field = message.parentElement?.getBoundingClientRect()
    const panel = message.closest('section, main, dialog, aside')?.getBoundingClientRect()
    if (!field || !panel) return
    const over = field.left + message.offsetWidth + EDGE - Math.min(panel.right, window.innerWidth)
    if (over > 0) message.style.marginLeft = `${-over}px`
  }

  function begin(input: HTMLInputElement): void {
    if (!start) return
    input.focus()
    input.select()
  }
</script>

<span class="relative inline-flex flex-col align-baseline leading-normal">
  <label for={id} class={showLabel ? 'text-xs text-faint' : 'sr-only'}>{label}</label>
  <input
    {id}
    data-field={field}
    class="blank"
    style:width
    type="text"
    inputmode={session.numberKeys}
    autocomplete="off"
    value={shown}
    placeholder={hint}
    aria-invalid={problem !== ''}
    aria-describedby={problem ? `${id}-problem` : undefined}
    oninput={(event) => (typed = event.currentTarget.value)}
    onblur={() => void finish()}
    {onkeydown}
    {@attach begin}
  />
  {#if problem}
    <span class="w-0 min-w-full">
      <span
        id="{id}-problem"
        role="alert"
        class="relative z-20 mt-1 block w-64 max-w-[90vw] border border-error bg-base-100 p-2 text-xs text-error"
        {@attach keepInside}
      >
        {problem}
      </span>
    </span>
  {/if}
</span>
