<script lang="ts">
  import type { Player } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import PlayerRow from './PlayerRow.svelte'

  let { players }: { players: Player[] } = $props()
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
<button class="btn mt-3 btn-primary btn-sm" onclick={() => void build.addPlayer()}>Add a player</button>
