<script lang="ts">
  import type { Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import ChainLink from './ChainLink.svelte'
  import ChainSlot from './ChainSlot.svelte'

  const build = $derived(useBuild()())
  let open = $state<Slot | null>(null)
</script>

<h2 class="sr-only">The chain of parts</h2>
<ol>
  {#each build.report?.slots ?? [] as status (status.slot)}
    {@const link = build.report?.links.find((link) => link.upper === status.slot)}
    <li>
      <ChainSlot
        {status}
        open={open === status.slot}
        toggle={() => (open = open === status.slot ? null : status.slot)}
      />
      {#if link}<ChainLink {link} />{/if}
    </li>
  {/each}
</ol>
