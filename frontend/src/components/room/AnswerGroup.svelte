<script lang="ts">
  import type { Verdict } from '../../api/client'
  import VerdictRow from '../VerdictRow.svelte'

  /** One check's answers: the worst in full, the other players' behind it. */
  let { verdicts }: { verdicts: Verdict[] } = $props()
  let open = $state(false)
  const [first, others] = $derived([verdicts[0], verdicts.slice(1)])
</script>

{#if first}
  <div class="border-b border-base-300">
    <div class="flex items-start">
      <div class="min-w-0 flex-1"><VerdictRow verdict={first} titled /></div>
      {#if others.length > 0}
        <button
          class="btn mt-1 btn-ghost text-primary btn-xs"
          aria-expanded={open}
          onclick={() => (open = !open)}
        >
          {open ? 'less' : `and ${others.length} more`}<span class="sr-only"> of {first.title}</span>
        </button>
      {/if}
    </div>
    {#if open}
      {#each others as verdict (verdict.subject_id)}<VerdictRow {verdict} />{/each}
    {/if}
  </div>
{/if}
