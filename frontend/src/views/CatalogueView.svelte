<script lang="ts">
  import { onDestroy, untrack } from 'svelte'
  import CatalogueFilter from '../components/catalogue/CatalogueFilter.svelte'
  import FoundList from '../components/catalogue/FoundList.svelte'
  import MachineReport from '../components/catalogue/MachineReport.svelte'
  import NewPart from '../components/catalogue/NewPart.svelte'
  import PackImport from '../components/catalogue/PackImport.svelte'
  import PartSheetPanel from '../components/catalogue/PartSheetPanel.svelte'
  import PriceListImport from '../components/catalogue/PriceListImport.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { catalogue } from '../lib/catalogue.svelte'

  const build = $derived(useBuild()())
  type Task = 'new' | 'pack' | 'list' | 'report'
  const TASKS: Record<Task, string> = {
    new: 'Write a part of your own',
    report: 'Read a computer’s report',
    pack: 'Take in a parts pack',
    list: 'Take in a price list',
  }
  let task = $state<Task | null>(null)

  void catalogue.loadKinds()
  // What fits and works depends on the build, so it is asked again after every edit.
  $effect(() => {
    const id = build.reply?.id ?? 0
    untrack(() => {
      if (id > 0) void catalogue.find({ ...catalogue.wanted, build: id })
    })
  })
  onDestroy(() => {
    catalogue.open = null
  })
</script>

<div class="mx-auto max-w-6xl p-4">
  <div class="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-2">
    <h2 class="text-2xl">Catalogue</h2>
    <div class="flex flex-wrap gap-2">
      {#each Object.entries(TASKS) as [name, words] (name)}
        <button
          class="btn btn-outline btn-primary btn-sm"
          aria-expanded={task === name}
          onclick={() => (task = task === name ? null : (name as Task))}>{words}</button
        >
      {/each}
      <a class="btn btn-outline btn-primary btn-sm" href="/api/catalogue/pack" download>Write your own out</a>
    </div>
  </div>
  {#if task === 'new'}<NewPart done={() => (task = null)} />{/if}
  {#if task === 'report'}<MachineReport done={() => (task = null)} />{/if}
  {#if task === 'pack'}<PackImport done={() => (task = null)} />{/if}
  {#if task === 'list'}<PriceListImport done={() => (task = null)} />{/if}
  {#if catalogue.history.undo || catalogue.history.redo}
    <p class="mt-2 flex flex-wrap gap-x-2">
      {#each [{ label: catalogue.history.undo, words: 'Undo', step: () => catalogue.undo() }, { label: catalogue.history.redo, words: 'Redo', step: () => catalogue.redo() }] as { label, words, step } (words)}
        {#if label}
          <button
            class="btn btn-ghost text-primary btn-xs"
            onclick={() => void step().then(() => build.refresh())}>{words}: {label}</button
          >
        {/if}
      {/each}
    </p>
  {/if}
  <CatalogueFilter />
  <FoundList />
</div>
{#if catalogue.open}<PartSheetPanel detail={catalogue.open} close={() => (catalogue.open = null)} />{/if}
