<script lang="ts">
  import type { Rooms } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { WALL_WORDS } from '../../lib/words'
  import Mark from '../Mark.svelte'

  /** Every room with its screen on every wall, on what matters. */
  let { options }: { options: Rooms['options'] } = $props()
  const build = $derived(useBuild()())
  const known = $derived(options.find((option) => option.allowance)?.allowance)
  const players = $derived(known?.reaches ?? [])
  const monitors = $derived(known?.monitors ?? [])
</script>

<div class="overflow-x-auto">
  <table class="w-full text-sm">
    <thead>
      <tr class="border-b border-base-content text-left align-bottom">
        <th class="py-1 pr-3" scope="col">Room, screen</th>
        {#each players as { id, player, wanted } (id)}
          <th class="px-2 font-normal" scope="col">{player}’s {wanted}</th>
        {/each}
        {#each monitors as { name } (name)}<th class="px-2 font-normal" scope="col">{name}</th>{/each}
        <th class="px-2 font-normal" scope="col">left behind the ball</th>
        <th class="px-2 font-normal" scope="col">hitting spot</th>
        <th class="px-2 font-normal" scope="col">largest picture</th>
      </tr>
    </thead>
    <tbody>
      {#each options as option (`${option.candidate ?? ''}-${option.quarters}`)}
        {@const { candidate, allowance } = option}
        <tr class="border-b border-base-300 align-top {option.chosen ? 'bg-primary/10' : ''}">
          <th class="py-1.5 pr-3 pl-1 text-left font-normal whitespace-nowrap" scope="row">
            {#if option.quarters === 0}<strong class="block">{option.room}</strong>{/if}
            {WALL_WORDS[option.screen_wall]}
            <span class="block text-xs text-faint">{option.size}</span>
            {#if option.chosen}
              <span class="block font-semibold">chosen</span>
            {:else}
              <button
                class="btn mt-1 btn-outline btn-primary btn-xs"
                aria-label="Build here: {option.room}, screen {WALL_WORDS[option.screen_wall]}"
                onclick={() => void build.chooseRoom(candidate, option.quarters, option.room)}
                >Build here</button
              >
            {/if}
            {#if candidate !== null && option.quarters === 0}
              <button
                class="btn mt-1 btn-ghost text-primary btn-xs"
                aria-label="Drop {option.room}"
                onclick={() => void build.dropRoom(candidate, option.room)}>Drop</button
              >
            {/if}
          </th>
          {#if allowance}
            {#each allowance.reaches as reach (reach.id)}
              <td class="px-2 py-1.5 whitespace-nowrap"
                ><Mark state={reach.state} size={10} /> {reach.club}</td
              >
            {/each}
            {#each allowance.monitors as monitor (monitor.name)}
              <td class="px-2 py-1.5 whitespace-nowrap"
                ><Mark state={monitor.state} size={10} /> {monitor.text}</td
              >
            {/each}
            <td class="px-2 py-1.5 whitespace-nowrap">{allowance.behind}</td>
            <td class="min-w-28 px-2 py-1.5">
              {#each allowance.places as place, number (number)}<p>{place}</p>{/each}
            </td>
            <td class="px-2 py-1.5 text-xs whitespace-nowrap">
              {#each allowance.pictures as picture (picture.name)}
                <p class="flex justify-between gap-2">
                  <span class="text-faint">{picture.name}</span>{picture.text}
                </p>
              {/each}
            </td>
          {:else}
            <td colspan={players.length + monitors.length + 3} class="px-2 py-1.5 text-faint"
              >{option.unknown}</td
            >
          {/if}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
