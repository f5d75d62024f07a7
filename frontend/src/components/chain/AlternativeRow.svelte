<script lang="ts">
  import type { Alternative } from '../../api/client'
  import { KIND_WORDS } from '../../lib/kinds'
  import { STATE_WORDS } from '../../lib/words'
  import { panels } from '../../lib/panels.svelte'
  import Mark from '../Mark.svelte'
  import SpecSheet from './SpecSheet.svelte'

  interface Props {
    candidate: Alternative
    /** What hangs here is locked: nothing takes its place. */
    locked: boolean
    hang: () => void
    /** Shows it on the drawing, and takes it off again. */
    consider: () => void
    leave: () => void
  }

  /** One candidate in one row: what decides, and what it would change of the money; the rest where somebody opens it. */
  let { candidate, locked, hang, consider, leave }: Props = $props()
  const id = $props.id()
  let open = $state(false)
  const decides = $derived(candidate.reasons[0])
  const shown = $derived(
    candidate.state === 'blocked'
      ? candidate.reasons.filter(({ state }) => state === 'blocked')
      : candidate.reasons,
  )
</script>

<li
  class="py-0.5 focus-within:bg-base-200 hover:bg-base-200"
  onmouseenter={consider}
  onmouseleave={leave}
  onfocusin={consider}
  onfocusout={leave}
>
  <div class="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-2">
    <div class="grid min-w-0 grid-cols-[auto_minmax(0,1fr)] gap-x-2 leading-tight">
      <span class="mt-1"><Mark state={candidate.state} /></span>
      <div class="min-w-0">
        <button
          class="block min-h-[24px] w-full cursor-pointer truncate text-left font-semibold"
          aria-expanded={open}
          aria-controls={id}
          onclick={() => (open = !open)}
          ><span class="sr-only">{STATE_WORDS[candidate.state]} </span>{candidate.name}</button
        >
        {#if candidate.state === 'blocked' && !candidate.hangs_now && decides}
          <button
            class="text-blocked block min-h-[24px] w-full cursor-pointer truncate text-left text-[13px] underline decoration-dotted"
            onclick={() => (panels.whyNot = { part: candidate.part, name: candidate.name })}
            >Why not: {decides.headline}<span class="sr-only">{` ${candidate.name}`}</span></button
          >
        {:else}
          <span class="block truncate text-[13px]">
            {#if decides}<span class="text-{decides.state}">{decides.headline}</span>
            {:else if candidate.better[0]}<span class="text-clear"
                >Improves {candidate.better[0].title.toLowerCase()}</span
              >
            {:else}<span class="text-faint">{candidate.maker}</span>{/if}
          </span>
        {/if}
      </div>
    </div>
    {#if candidate.hangs_now}
      <span class="col-span-2 text-[13px] text-faint">chosen now</span>
    {:else}
      <span
        class="text-right text-[13px] leading-tight whitespace-nowrap"
        title="{candidate.horizon_change.text} in all"
      >
        <span class="block">{candidate.priced ? candidate.up_front_change.text : 'no price'}</span>
        {#if candidate.yearly_change.value}
          <span class="block text-faint">{candidate.yearly_change.text} a year</span>
          <span class="block text-faint">{candidate.horizon_change.text} in all</span>
        {/if}
      </span>
      {#if !locked}
        <button
          class="btn btn-sm {candidate.state === 'blocked' ? 'btn-outline' : ''} btn-primary"
          aria-label="Choose {candidate.name}"
          onclick={hang}>Choose</button
        >
      {/if}
    {/if}
  </div>
  {#if open}
    <div {id} class="pb-1.5 pl-6 text-[13px] leading-snug">
      <p class="text-faint">{candidate.maker} · {KIND_WORDS[candidate.kind]} · {candidate.price}</p>
      {#if candidate.note}<p class="text-faint">{candidate.note}</p>{/if}
      {#each shown as reason (reason.id + reason.subject_id)}
        <p>
          <span class="text-{reason.state}">{reason.title} {STATE_WORDS[reason.state]}:</span>
          {reason.headline}
        </p>
      {/each}
      {#if candidate.better.length > 0}
        <p>
          <span class="text-clear">Improves:</span>
          {candidate.better.map(({ title }) => title.toLowerCase()).join(', ')}
        </p>
      {/if}
      {#if candidate.links.length > 0}
        <p class="flex flex-wrap gap-x-2 text-faint">
          Links:
          {#each candidate.links as link (link.id + link.subject_id)}
            <span class="inline-flex items-center gap-1"
              ><Mark state={link.state} size={10} />{link.title.toLowerCase()}</span
            >
          {/each}
        </p>
      {/if}
      <SpecSheet facts={candidate.facts} of={candidate.name} />
    </div>
  {/if}
</li>
