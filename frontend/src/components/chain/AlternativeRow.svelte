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

  let { candidate, locked, hang, consider, leave }: Props = $props()
  const shown = $derived(
    candidate.state === 'blocked'
      ? candidate.reasons.filter(({ state }) => state === 'blocked')
      : candidate.reasons,
  )
</script>

<li
  class="py-1.5 focus-within:bg-base-200 hover:bg-base-200"
  onmouseenter={consider}
  onmouseleave={leave}
  onfocusin={consider}
  onfocusout={leave}
>
  <div class="flex items-start gap-2">
    <span class="mt-1"><Mark state={candidate.state} /></span>
    <div class="min-w-0 flex-1 leading-snug">
      <p>
        <strong>{candidate.name}</strong>
        <span class="text-faint">{candidate.maker} · {KIND_WORDS[candidate.kind]} · {candidate.price}</span>
      </p>
      {#if candidate.note}<p class="text-[13px] text-faint">{candidate.note}</p>{/if}
      {#each shown as reason (reason.id + reason.subject_id)}
        <p class="text-[13px]">
          <span class="text-{reason.state}">{reason.title} {STATE_WORDS[reason.state]}:</span>
          {reason.headline}
        </p>
      {/each}
      {#if candidate.links.length > 0}
        <p class="flex flex-wrap gap-x-2 text-[13px] text-faint">
          Links:
          {#each candidate.links as link (link.id + link.subject_id)}
            <span class="inline-flex items-center gap-1"
              ><Mark state={link.state} size={10} />{link.title.toLowerCase()}</span
            >
          {/each}
        </p>
      {/if}
      {#if candidate.better.length > 0}
        <p class="text-[13px]">
          <span class="text-clear">Improves:</span>
          {candidate.better.map(({ title }) => title.toLowerCase()).join(', ')}
        </p>
      {/if}
      <SpecSheet facts={candidate.facts} of={candidate.name} />
    </div>
    <div class="shrink-0 text-right text-[13px] leading-snug">
      {#if candidate.hangs_now}
        <span class="text-faint">hangs now</span>
      {:else}
        <p class="whitespace-nowrap">
          {candidate.priced ? candidate.up_front_change.text : 'price not known'}
        </p>
        <p class="whitespace-nowrap text-faint">{candidate.yearly_change.text} a year</p>
        <p class="whitespace-nowrap text-faint">{candidate.horizon_change.text} in all</p>
        {#if !locked}<button
            class="btn mt-1 btn-primary btn-xs"
            aria-label="Hang {candidate.name}"
            onclick={hang}>Hang</button
          >{/if}
        {#if candidate.state === 'blocked'}
          <button
            class="btn mt-1 block btn-ghost text-primary btn-xs"
            aria-label="Why not {candidate.name}"
            onclick={() => (panels.whyNot = { part: candidate.part, name: candidate.name })}>Why not</button
          >
        {/if}
      {/if}
    </div>
  </div>
</li>
