<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { panels } from '../../lib/panels.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import { counted, SLOT_WORDS } from '../../lib/words'
  import type { FoundPart, Slot } from '../../api/client'

  const build = $derived(useBuild()())
  const found = $derived(catalogue.found)

  function use(part: FoundPart): void {
    if (part.slot) void build.hang(part.slot as Slot, part.part, part.name)
    else void build.addExtra(part.part, part.name)
  }

  function here(part: FoundPart): boolean {
    const chain = Object.values(build.reply?.build.chain ?? {})
    return chain.some((hung) => hung.part === part.part)
  }
</script>

{#if catalogue.problem}
  <p role="alert" class="py-3 text-error">{catalogue.problem}</p>
{/if}
{#if catalogue.refusal}
  <p role="alert" class="py-3 text-error">{catalogue.refusal}</p>
{:else if !found}
  <p role="status" class="py-3 text-faint">Opening the catalogue</p>
{:else}
  <p role="status" class="py-2 text-sm text-faint">
    {counted(found.found, 'part')} of {found.all}{found.parts.length < found.found
      ? `, the first ${found.parts.length} listed`
      : ''}{found.unjudged > 0
      ? `. ${found.unjudged} more are too many to judge at once: ask for a kind, words or a price.`
      : ''}
  </p>
  <ul class="divide-y divide-base-300 border-y border-base-300">
    {#each found.parts as part (part.part)}
      <li class="grid items-start gap-x-4 py-1.5 sm:grid-cols-[minmax(0,1fr)_auto]">
        <div class="min-w-0">
          <button
            class="min-h-[24px] cursor-pointer text-left font-semibold text-primary underline-offset-3 hover:underline"
            onclick={() => void catalogue.show(part.part)}>{part.name}</button
          >
          <span class="text-faint">{part.maker} · {KIND_WORDS[part.kind] ?? part.kind}</span>
          {#if part.origin === 'own'}<span class="text-sm">· yours</span>{/if}
          {#if part.changed}<span class="text-sm">· changed by you</span>{/if}
          {#if part.disputed > 0}<span class="text-sm text-warning"
              >· {counted(part.disputed, 'disputed fact')}</span
            >{/if}
          {#if part.note}<p class="text-[13px] text-faint">{part.note}</p>{/if}
        </div>
        <div
          class="flex flex-wrap items-center justify-between gap-x-4 text-sm whitespace-nowrap sm:block sm:text-right"
        >
          {part.price}
          <span class="flex flex-wrap items-center justify-end">
            {#if part.slot === 'floor' && build.reply?.parts.floor}
              <button
                class="btn btn-ghost text-primary btn-xs"
                onclick={() => void build.addExtra(part.part, part.name)}
                >Lay over the floor<span class="sr-only"> {part.name}</span></button
              >
            {/if}
            {#if here(part)}
              <span class="text-faint">chosen now</span>
            {:else}
              <button
                class="btn btn-ghost text-primary btn-xs"
                onclick={() => (panels.whyNot = { part: part.part, name: part.name })}
                >Would it work?<span class="sr-only"> {part.name}</span></button
              >
              <button class="btn btn-ghost text-primary btn-xs" onclick={() => use(part)}>
                {part.slot
                  ? `Choose as ${SLOT_WORDS[part.slot as Slot].toLowerCase()}`
                  : 'Add to the build'}<span class="sr-only"> {part.name}</span>
              </button>
            {/if}
          </span>
        </div>
      </li>
    {:else}
      <li class="py-3 text-faint">No part is like that. Ask for less, or write one of your own.</li>
    {/each}
  </ul>
{/if}
