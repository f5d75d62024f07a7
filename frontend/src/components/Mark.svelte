<script lang="ts">
  import type { State } from '../api/client'
  import { STATE_WORDS } from '../lib/words'

  /** A state told by shape as well as colour: ring, half-filled wedge, barred block, dotted ring. */
  let { state, size = 14 }: { state: State; size?: number } = $props()
</script>

<svg
  class="inline-block shrink-0 text-{state}"
  width={size}
  height={size}
  viewBox="0 0 14 14"
  role="img"
  aria-label={STATE_WORDS[state]}
>
  {#if state === 'clear'}
    <circle cx="7" cy="7" r="4.6" fill="none" stroke="currentColor" stroke-width="2.6" />
  {:else if state === 'tight'}
    <path
      d="M7 1.5 13 12.5H1Z"
      fill="none"
      stroke="currentColor"
      stroke-width="1.6"
      stroke-linejoin="round"
    />
    <path d="M7 1.5V12.5H1Z" fill="currentColor" />
  {:else if state === 'blocked'}
    <rect x="1" y="1" width="12" height="12" rx="1" fill="currentColor" />
    <path d="M3.5 7h7" class="stroke-base-100" stroke-width="2.4" />
  {:else}
    <circle
      cx="7"
      cy="7"
      r="5.4"
      fill="none"
      stroke="currentColor"
      stroke-width="1.8"
      stroke-dasharray="2.2 1.9"
    />
    <circle cx="7" cy="7" r="1.3" fill="currentColor" />
  {/if}
</svg>
