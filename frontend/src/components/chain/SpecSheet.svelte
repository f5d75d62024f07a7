<script lang="ts">
  import type { Fact } from '../../api/client'

  /** Every fact of a part; those its maker does not state say so. */
  let { facts, of }: { facts: Fact[]; of: string } = $props()
</script>

<details class="text-[13px]">
  <summary class="min-h-[24px] cursor-pointer text-primary"
    >Spec sheet<span class="sr-only"> of {of}</span></summary
  >
  <dl class="grid grid-cols-[1fr_auto] gap-x-4 py-1">
    {#each facts as fact (fact.name)}
      <dt class="border-b border-base-300 py-0.5">{fact.name}</dt>
      <dd
        class="border-b border-base-300 py-0.5 text-right {fact.text === 'not stated'
          ? 'text-faint italic'
          : ''}"
      >
        {fact.text}
        {#if fact.source}<span class="block text-xs text-faint">{fact.source}</span>{/if}
        {#each fact.doubts as doubt, number (number)}<span class="block max-w-64 text-xs text-warning"
            >{doubt}</span
          >{/each}
      </dd>
    {/each}
  </dl>
</details>
