<script lang="ts">
  import type { Rooms } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { WALL_WORDS } from '../../lib/words'
  import Mark from '../Mark.svelte'

  /** Every room with its screen on every wall, on what matters. */
  let { options }: { options: Rooms['options'] } = $props()
  const build = $derived(useBuild()())
  const players = $derived(options.find((option) => option.allowance)?.allowance?.reaches ?? [])
  const pictures = $derived(options.find((option) => option.allowance)?.allowance?.pictures ?? [])
  const monitors = $derived(options.find((option) => option.allowance)?.allowance?.monitors ?? [])
</script>

<div class="overflow-x-auto">
  <table class="w-full text-sm">
    <thead>
      <tr class="border-b border-base-content text-left align-bottom">
        <th class="py-1 pr-3" scope="col">Room, screen</th>
        {#each players as { player, wanted } (player)}<th class="px-2 font-normal" scope="col"
            >{player}’s {wanted}</th
          >{/each}
        {#each monitors as { name } (name)}<th class="px-2 font-normal" scope="col">{name}</th>{/each}
        {#each pictures as { name } (name)}<th class="px-2 font-normal" scope="col">{name}</th>{/each}
        <th class="px-2 font-normal" scope="col">behind the ball</th>
        <th scope="col"><span class="sr-only">Choose</span></th>
      </tr>
    </thead>
    <tbody>
      {#each options as option (`${option.candidate ?? ''}-${option.quarters}`)}
        <tr class="border-b border-base-300 align-top {option.chosen ? 'bg-primary/10' : ''}">
          <th class="py-1.5 pr-3 pl-1 text-left font-normal" scope="row">
            {#if option.quarters === 0}<strong class="block">{option.room}</strong>{/if}
            <span class="block whitespace-nowrap">{WALL_WORDS[option.screen_wall]}</span>
            <span class="block text-xs whitespace-nowrap text-faint">{option.size}</span>
          </th>
          {#if option.allowance}
            {#each option.allowance.reaches as reach (reach.player)}
              <td class="px-2 py-1.5"
                ><span class="flex items-baseline gap-1.5"
                  ><Mark state={reach.state} size={10} />{reach.club}</span
                ></td
              >
            {/each}
            {#each option.allowance.monitors as monitor (monitor.name)}
              <td class="px-2 py-1.5 whitespace-nowrap"
                ><span class="flex items-baseline gap-1.5"
                  ><Mark state={monitor.state} size={10} />{monitor.text}</span
                ></td
              >
            {/each}
            {#each option.allowance.pictures as picture (picture.name)}
              <td class="px-2 py-1.5 whitespace-nowrap">{picture.text}</td>
            {/each}
            <td class="px-2 py-1.5 whitespace-nowrap">{option.allowance.behind || 'no spot'}</td>
          {:else}
            <td
              colspan={players.length + monitors.length + pictures.length + 1}
              class="px-2 py-1.5 text-faint">{option.unknown}</td
            >
          {/if}
          <td class="py-1.5 pl-2 text-right whitespace-nowrap">
            {#if option.chosen}
              <span class="text-faint">chosen</span>
            {:else}
              <button
                class="btn btn-primary btn-xs"
                aria-label="Build in {option.room}, screen {WALL_WORDS[option.screen_wall]}"
                onclick={() => void build.chooseRoom(option.candidate, option.quarters, option.room)}
                >Build here</button
              >
              {#if option.candidate !== null && option.quarters === 0}
                {@const candidate = option.candidate}
                <button
                  class="btn btn-ghost text-primary btn-xs"
                  aria-label="Drop {option.room}"
                  onclick={() => void build.dropRoom(candidate, option.room)}>Drop</button
                >
              {/if}
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
