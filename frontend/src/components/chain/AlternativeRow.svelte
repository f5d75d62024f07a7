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
    <button
      class="flex min-h-[34px] min-w-0 cursor-pointer items-start gap-2 text-left leading-tight"
      aria-expanded={open}
      aria-controls={id}
      onclick={() => (open = !open)}
    >
      <span class="mt-0.5"><Mark state={candidate.state} /></span>
      <span class="min-w-0 flex-1">
        <strong class="block truncate">{candidate.name}</strong>
        <span class="block truncate text-[13px]">
          {#if decides}<span class="text-{decides.state}">{decides.headline}</span>
          {:else if candidate.better[0]}<span class="text-clear"
              >Improves {candidate.better[0].title.toLowerCase()}</span
            >
          {:else}<span class="text-faint">{candidate.maker}</span>{/if}
        </span>
      </span>
    </button>
    {#if candidate.hangs_now}
      <span class="col-span-2 text-[13px] text-faint">chosen now</span>
    {:else}
      <span class="text-right text-[13px] leading-tight whitespace-nowrap">
        <span class="block">{candidate.priced ? candidate.up_front_change.text : 'no price'}</span>
        <span class="block text-faint"
          >{candidate.yearly_change.text} a year · {candidate.horizon_change.text} in all</span
        >
      </span>
      {#if !locked}<button
          class="btn btn-sm {candidate.state === 'blocked' ? 'btn-outline' : ''} btn-primary"
          aria-label="Choose {candidate.name}"
          onclick={hang}>Choose</button
        >{/if}
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
  {#if candidate.state === 'blocked' && !candidate.hangs_now}
    <button
      class="ml-6 min-h-[24px] cursor-pointer text-[13px] text-primary underline"
      onclick={() => (panels.whyNot = { part: candidate.part, name: candidate.name })}
      >Why not<span class="sr-only">{` ${candidate.name}`}</span>, and what would admit it</button
    >
  {/if}
</li>
