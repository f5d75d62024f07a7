<script lang="ts">
  import { api, outcome, type Offers } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import Does from '../Does.svelte'

  /** Where the ball may lie for everybody to be clear, and the best spot there. */
  const build = $derived(useBuild()())
  const spots = $derived(build.report?.hitting ?? [])
  const asking = new Resource<Offers>((signal) => {
    const params = { path: { build_id: build.id } }
    return outcome(api.GET('/api/builds/{build_id}/spots', { params, signal }))
  })
  // Each spot is tried on the whole build: once an edit is made, not while the ball is dragged.
  $effect(() => {
    if (build.reply) void asking.load()
    return () => asking.stop()
  })

  function does(reason: string) {
    return asking.data?.offers.find(({ words }) => words === reason)?.does
  }
</script>

{#if spots.length > 0}
  <h2 class="mt-3 mb-1 text-lg">Where to hit from</h2>
  {#if spots.length > 1}
    <p class="text-sm">No one spot serves both hands in this room. There is one for each:</p>
  {/if}
  {#each spots as spot (spot.hands.join())}
    <div class="flex items-start gap-3 border-b border-base-300 py-1.5 text-sm">
      <p class="min-w-0 flex-1 leading-snug">
        {#if spots.length > 1}<span class="block text-xs text-faint">{spot.hands.join()}-handed</span>{/if}
        {spot.reason}
        {#if !spot.here}
          {@const found = does(spot.reason)}
          {#if found}<Does does={found} />{/if}
        {/if}
      </p>
      {#if spot.here}
        <span class="text-faint">{spots.length > 1 ? 'their ball' : 'the ball'} is here</span>
      {:else if spot.x_m !== null && spot.y_m !== null}
        <button class="btn btn-primary btn-xs" onclick={() => void build.pressSpot(spot.reason)}
          >Put {spots.length > 1 ? 'their' : 'the'} ball there</button
        >
      {/if}
    </div>
  {/each}
{/if}
