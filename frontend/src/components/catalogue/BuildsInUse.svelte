<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { catalogue } from '../../lib/catalogue.svelte'

  /** A change of the catalogue that builds would lose by: what they would lose, and whether it is made all the same. */
  const build = $derived(useBuild()())

  async function goOn(): Promise<void> {
    await catalogue.inUse?.goOn()
    await build.refresh()
  }
</script>

{#if catalogue.inUse}
  <div role="alert" class="my-2 border-l-3 border-warning pl-3 text-sm">
    <p>Nothing was changed yet: builds would lose what they have.</p>
    <ul class="my-1 list-disc pl-4">
      {#each catalogue.inUse.losses as loss, number (number)}
        <li><strong>{loss.build}</strong>: {loss.what.join(', ')}</li>
      {/each}
    </ul>
    <p class="flex flex-wrap gap-2">
      <button class="btn btn-primary btn-sm" onclick={() => void goOn()}
        >Change it, and let them go on without</button
      >
      <button class="btn btn-sm" onclick={() => (catalogue.inUse = null)}>Leave it as it is</button>
    </p>
    <p class="mt-1 text-faint">Each of these builds can undo that by itself; the part then comes back.</p>
  </div>
{/if}
