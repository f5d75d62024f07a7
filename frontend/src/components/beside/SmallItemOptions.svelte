<script lang="ts">
  import { api, outcome, type SmallItem, type SmallOption, type SmallOptions } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { panels } from '../../lib/panels.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import Mark from '../Mark.svelte'

  /** The parts that could serve for a small item; those that do, the cheapest first. */
  let { item }: { item: SmallItem } = $props()
  const build = $derived(useBuild()())
  const asking = new Resource<SmallOptions, [number, string]>((signal, build_id, item_id) => {
    const params = { path: { build_id, item: item_id } }
    return outcome(api.GET('/api/builds/{build_id}/small-items/{item}', { params, signal }))
  })
  const options = $derived(asking.data?.options ?? null)
  const problem = $derived(asking.message)
  $effect(() => {
    if (build.reply) void asking.load(build.reply.id, item.id)
    return () => asking.stop()
  })

  function buy(option: SmallOption): void {
    void build.decideItem(item.id, `${item.title}: ${option.name}`, { choice: 'buy', part: option.part })
  }
</script>

{#if problem}
  <p role="alert" class="text-sm text-error">{problem}</p>
{:else if options === null}
  <p role="status" class="text-sm text-faint">Looking through the catalogue</p>
{:else}
  <ul>
    {#each options as option (option.part)}
      <li class="flex items-start gap-2 border-t border-base-300 py-1 text-[13px] leading-snug">
        <span class="mt-0.5"><Mark state={option.serves ? 'clear' : 'blocked'} size={11} /></span>
        <span class="min-w-0 flex-1">
          <strong>{option.name}</strong> <span class="text-faint">{option.maker}</span>
          {#if option.note}<span class="block text-faint">{option.note}</span>{/if}
          {#each option.objections as objection, number (number)}<span class="text-blocked block"
              >{objection}</span
            >{/each}
        </span>
        <span class="text-right whitespace-nowrap">
          {#if option.units !== null && option.units > 1}<span class="text-faint">{option.units} for</span
            >{/if}
          {option.total?.text ?? 'price not known'}
          {#if item.part === option.part}
            <span class="block text-faint">chosen</span>
          {:else}
            <button
              class="btn mt-0.5 block btn-xs {option.serves ? 'btn-primary' : 'btn-ghost text-primary'}"
              aria-label="Choose {option.name}"
              onclick={() => buy(option)}>Choose</button
            >
            {#if !option.serves}
              <button
                class="btn mt-0.5 block btn-ghost text-primary btn-xs"
                aria-label="Why not {option.name}"
                onclick={() => (panels.whyNot = { part: option.part, name: option.name })}>Why not</button
              >
            {/if}
          {/if}
        </span>
      </li>
    {:else}
      <li class="py-1 text-[13px] text-faint">
        The catalogue has no part of this kind. Add one of your own.
      </li>
    {/each}
  </ul>
{/if}
