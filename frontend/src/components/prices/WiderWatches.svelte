<script lang="ts">
  import type { Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import type { Watches } from '../../lib/watches.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import WorkProgress from '../WorkProgress.svelte'
  import WatchForm from './WatchForm.svelte'

  /** Watches on more than one part: the whole build, whatever serves in a place, and a fee. */
  let { watches }: { watches: Watches } = $props()
  const build = $derived(useBuild()())
  const fees = $derived(
    build.reply?.report.costs.lines.filter((line) => line.fees_a_year > 0 && line.yearly) ?? [],
  )
  let slot = $state<Slot>('monitor')
  let fee = $state('')
  const chosenFee = $derived(fees.find((line) => line.key === fee) ?? fees[0])
  const others = $derived(watches.told?.watches.filter(({ kind }) => kind !== 'line') ?? [])
</script>

<section class="mt-8" aria-labelledby="wider">
  <h2 id="wider" class="text-xl">Watch more than one part</h2>
  {#if watches.refused}<p role="alert" class="text-sm text-error">{watches.refused}</p>{/if}
  <div class="mt-2 grid gap-4">
    <div>
      <h3 class="font-semibold">The whole build, delivered</h3>
      <WatchForm {watches} kind="total" subject="" label="The whole build, delivered" narrows={false} />
    </div>
    <div>
      <h3 class="font-semibold">Whatever serves in a place</h3>
      <p class="max-w-prose text-sm text-faint">
        The cheapest part of the catalogue that is offered and that nothing rules out there, links and room
        included.
      </p>
      <div class="mt-1">
        <Choice
          label="Place"
          showLabel
          value={slot}
          options={SLOT_WORDS}
          choose={(chosen: Slot) => {
            slot = chosen
          }}
        />
      </div>
      {#key slot}<WatchForm
          {watches}
          kind="place"
          subject={slot}
          label="Whatever serves as {SLOT_WORDS[slot].toLowerCase()}"
        />{/key}
    </div>
    {#if chosenFee}
      <div>
        <h3 class="font-semibold">A year of a fee</h3>
        <div class="mt-1">
          <Choice
            label="Fee"
            showLabel
            value={chosenFee.key}
            options={Object.fromEntries(fees.map((line) => [line.key, line.label]))}
            choose={(chosen: string) => {
              fee = chosen
            }}
          />
        </div>
        {#key chosenFee.key}<WatchForm
            {watches}
            kind="fee"
            subject={chosenFee.key}
            label={chosenFee.label}
            narrows={false}
          />{/key}
      </div>
    {/if}
  </div>
  {#if others.length > 0}
    <ul class="mt-3 divide-y divide-base-300 border-y border-base-300 text-sm">
      {#each others as watch (watch.id)}
        <li class="flex flex-wrap justify-between gap-x-4 py-1.5">
          <span>{watch.label}: {watch.target} or less</span><span class="text-faint"
            >{watch.figure ? `now ${watch.figure}` : watch.words || 'not looked at yet'}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
  <p class="mt-2">
    <button class="btn btn-outline btn-primary btn-xs" onclick={() => void watches.lookAgain()}
      >Look at all watches now</button
    >
  </p>
  <WorkProgress work={watches.work} ofBuild={false} />
</section>
