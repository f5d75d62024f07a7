<script lang="ts">
  import type { Problem } from '../../api/client'
  import type { Drawn } from '../../lib/drawing'
  import type { Spot } from '../../lib/labels'
  import QuantityField from '../QuantityField.svelte'

  /** The text of a dimension line; pressed, it is typed over. */
  interface Props {
    line: Drawn
    /** The middle of its text. */
    at: Spot
    commit: (typed: string) => Promise<Problem[]>
  }

  let { line, at, commit }: Props = $props()
  let typing = $state(false)
  const dimension = $derived(line.dimension)
</script>

<span
  class="absolute z-10 -translate-x-1/2 -translate-y-1/2 focus-within:z-20"
  style:left="{at.x}px"
  style:top="{at.y}px"
>
  {#if typing}
    <span class="block border bg-base-100 px-1">
      <QuantityField
        label={dimension.label}
        text={dimension.text}
        {commit}
        start
        done={() => (typing = false)}
        width="6rem"
      />
    </span>
  {:else}
    <button
      class="min-h-[24px] min-w-[24px] cursor-text rounded-xs bg-base-100 px-1 text-xs leading-4 whitespace-nowrap text-primary hover:bg-primary hover:text-primary-content"
      title={dimension.label}
      aria-label="{dimension.label}: {dimension.text}. Type another length"
      onclick={() => (typing = true)}
    >
      {dimension.text}
    </button>
  {/if}
</span>
