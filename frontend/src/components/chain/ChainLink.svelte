<script lang="ts">
  import type { Report } from '../../api/client'
  import { panels } from '../../lib/panels.svelte'
  import Mark from '../Mark.svelte'

  /** What holds between two parts: the one thing that could break it, and by how much. */
  let { link }: { link: Report['links'][number] } = $props()
</script>

<div
  class="ml-[1.05rem] min-h-4 border-l-3 {link.state === null
    ? 'border-dotted border-base-300'
    : link.state === 'blocked'
      ? 'border-dashed border-error'
      : 'border-base-content'}"
>
  {#if link.state && link.verdict}
    {@const id = link.verdict}
    <button
      class="flex min-h-[24px] w-full cursor-pointer items-start gap-2 py-1 pr-1 pl-3 text-left text-[13px] leading-tight hover:bg-base-200"
      onclick={() => panels.ask(id, link.subject_id)}
    >
      <span class="mt-px"><Mark state={link.state} size={12} /></span>
      <span class="min-w-0 flex-1 {link.state === 'clear' ? 'text-faint' : ''}">{link.headline}</span>
      {#if link.margin && link.state !== 'clear'}<span class="text-{link.state} whitespace-nowrap"
          >{link.margin}</span
        >{/if}
    </button>
  {/if}
</div>
