<script lang="ts">
  import type { Player } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import PlayerRow from './PlayerRow.svelte'
  import Steers from './Steers.svelte'

  let { players, visitors }: { players: Player[]; visitors: boolean } = $props()
  const build = $derived(useBuild()())
</script>

{#if players.length === 0}
  <p class="py-2">
    Nobody yet. Height, hand and longest club of everybody who will swing here decide the room, the monitor
    and the screen.
  </p>
{/if}
{#each players as player, index (player.id)}
  <PlayerRow {player} {index} />
{/each}
<div class="mt-3 flex flex-wrap items-center gap-x-6 gap-y-2">
  <button class="btn btn-primary btn-sm" onclick={() => void build.addPlayer()}>Add a player</button>
  <label class="flex min-h-[28px] items-center gap-2">
    <input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      checked={visitors}
      onchange={(event) => void build.changeBrief('visitors', { visitors: event.currentTarget.checked })}
    />
    visitors of unknown skill swing here too
  </label>
</div>
<Steers fields={['players', 'visitors']} />
