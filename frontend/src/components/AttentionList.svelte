<script lang="ts">
  import { useBuild } from '../lib/build.svelte'
  import VerdictRow from './VerdictRow.svelte'

  /** What is not clear in the whole build, what shall be looked at first in front, each with a way out. */
  const build = $derived(useBuild()())
  const verdicts = $derived(
    (build.report?.attention ?? []).flatMap(({ id, subject_id }) => build.verdict(id, subject_id) ?? []),
  )
</script>

<h2 class="mt-4 mb-1 text-base">To look at first</h2>
{#each verdicts as verdict (verdict.id + verdict.subject_id)}
  <VerdictRow {verdict} advice />
{:else}
  <p class="text-sm text-faint">Everything that was checked is clear.</p>
{/each}
