<script lang="ts">
  import { catalogue } from '../../lib/catalogue.svelte'
  import BuildsInUse from '../catalogue/BuildsInUse.svelte'
  import { counted } from '../../lib/words'
  import { useBuild } from '../../lib/build.svelte'

  /** What could not be done, with the way out of it. */
  const build = $derived(useBuild()())
</script>

{#if !catalogue.open && (catalogue.inUse || catalogue.problem)}
  <div class="border-b-2 border-warning bg-base-200 px-3 py-2">
    {#if catalogue.problem}
      <p role="alert" class="flex flex-wrap items-center gap-4">
        <span class="flex-1">{catalogue.problem}</span>
        <button class="btn btn-ghost btn-sm" onclick={() => (catalogue.problem = '')}>Close</button>
      </p>
    {/if}
    <BuildsInUse />
  </div>
{/if}

<div aria-live="polite">
  {#if build.waiting.length > 0}
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-warning bg-base-200 px-3 py-2">
      <p class="min-w-60 flex-1">
        The server did not answer. {counted(build.waiting.length, 'edit')}
        {build.waiting.length === 1 ? 'waits and is' : 'wait and are'} made as soon as it does:
        <strong>{build.waiting.join('; ')}</strong>. Go on meanwhile.
      </p>
      <button class="btn btn-ghost btn-sm" onclick={() => build.dropWaiting()}>Drop them</button>
    </div>
  {:else if build.held}
    {@const held = build.held}
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-warning bg-base-200 px-3 py-2">
      <p class="min-w-60 flex-1">
        {held.message} You see it as it is now. Your edit, <strong>{held.what}</strong>, was not made and is
        kept here.
      </p>
      <button class="btn btn-primary btn-sm" onclick={() => void held.retry()}>Make it now</button>
      <button class="btn btn-ghost btn-sm" onclick={() => build.letHeldGo()}>Drop it</button>
    </div>
  {:else if build.problem}
    <div class="flex flex-wrap items-center gap-4 border-b-2 border-error bg-base-200 px-3 py-2">
      <p class="flex-1">{build.problem}</p>
      <button class="btn btn-primary btn-sm" onclick={() => void build.load()}>Try again</button>
    </div>
  {/if}
</div>
