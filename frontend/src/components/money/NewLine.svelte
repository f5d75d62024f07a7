<script lang="ts">
  import type { Category } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'

  /** A line of one's own: a carpenter, a skip, paint. */
  let { categories }: { categories: Category[] } = $props()
  const build = $derived(useBuild()())
  let name = $state('')
  let category = $state<Category>('building works')
  let refused = $state('')

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    const [wrong] = await build.addOwnLine(name.trim(), category)
    refused = wrong ? `${wrong.value} is not accepted: ${wrong.accepted}` : ''
    if (!wrong) name = ''
  }
</script>

<form class="mt-4 flex flex-wrap items-end gap-x-3 gap-y-1 text-sm" onsubmit={(event) => void add(event)}>
  <label
    ><span class="block text-xs text-faint">A line of your own</span><input
      class="blank w-48"
      bind:value={name}
      placeholder="Carpenter, skip, paint"
      maxlength="120"
    /></label
  >
  <label
    ><span class="block text-xs text-faint">Counts as</span><select
      class="select min-h-8 w-36 select-sm"
      bind:value={category}
    >
      {#each categories as each (each)}<option>{each}</option>{/each}
    </select></label
  >
  <button class="btn btn-primary btn-sm" disabled={name.trim() === ''}>Add it</button>
  {#if refused}<p role="alert" class="w-full text-xs text-error">{refused}</p>{/if}
</form>
