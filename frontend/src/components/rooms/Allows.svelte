<script lang="ts">
  import type { Rooms } from '../../api/client'
  import Mark from '../Mark.svelte'

  /** What a room allows before any part is chosen. */
  let { allowance }: { allowance: NonNullable<Rooms['options'][number]['allowance']> } = $props()
</script>

<dl class="grid grid-cols-[9rem_1fr] gap-x-4 gap-y-2 max-sm:grid-cols-1 max-sm:gap-y-1">
  <dt class="text-faint">Longest club</dt>
  <dd>
    {#each allowance.reaches as reach (reach.id)}
      <p class="flex items-baseline gap-2">
        <Mark state={reach.state} size={11} />
        <span
          >{reach.player}: {reach.club}{reach.club === reach.wanted ? '' : `, wanted ${reach.wanted}`}
          <span class="block text-sm text-faint">with an early release: {reach.early_release_club}</span
          ></span
        >
      </p>
    {:else}Add the players to the brief; they decide the room.{/each}
  </dd>
  {#if allowance.spots.length > 0}
    <dt class="text-faint">Where to hit from</dt>
    <dd>
      {#each allowance.spots as spot, number (number)}<p>{spot}</p>{/each}
    </dd>
  {/if}
  <dt class="text-faint">Room left for</dt>
  <dd>
    {#each allowance.monitors as monitor (monitor.name)}
      <p class="flex items-baseline gap-2">
        <Mark state={monitor.state} size={11} />{monitor.name}: {monitor.text}
      </p>
    {/each}
  </dd>
  <dt class="text-faint">Largest picture</dt>
  <dd>
    {#each allowance.pictures as { name, text, inside } (name)}<p>
        {name}: {text}{inside && `; ${inside}`}
      </p>{/each}
  </dd>
  <dt class="text-faint">Throw for 16:9</dt>
  <dd>
    {#each allowance.throws as text, number (number)}<p>{text}</p>{/each}
  </dd>
  <dt class="text-faint">Enclosure, outside</dt>
  <dd>{allowance.enclosure}</dd>
  <dt class="text-faint">Left behind the swing</dt>
  <dd>{allowance.behind}</dd>
</dl>
