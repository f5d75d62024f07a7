<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { CLUB_LETTERS } from '../../lib/words'
  import Mark from '../Mark.svelte'
  import VerdictRow from '../VerdictRow.svelte'

  interface Props {
    /** The check that judges each player's longest club: its line stands first. */
    check: string
  }

  /** Every club of every player, longest first: clear, clear of what was entered so far, to be tested, or not. */
  let { check }: Props = $props()
  const build = $derived(useBuild()())
  const bags = $derived(build.report?.bags ?? [])
  const lines = $derived(build.report?.verdicts.filter(({ id }) => id === check) ?? [])
  const bands = $derived(new Set(bags.flatMap(({ clubs }) => clubs.map(({ band }) => band))))
  const names = $derived(
    Object.fromEntries((build.reply?.build.brief.players ?? []).map(({ id, name }) => [id, name])),
  )
</script>

{#each lines as verdict (verdict.subject_id)}
  <div class="border-b border-base-300 py-1">
    <VerdictRow {verdict} />
    {#each bags.filter(({ player }) => player === verdict.subject_id) as { player, clubs } (player)}
      <ul class="grid grid-cols-8 gap-x-0.5 px-1 text-center text-xs" aria-label="Clubs of {names[player]}">
        {#each clubs as { club, band, state, spare, nearest, wanted } (club)}
          <li
            class="flex flex-col items-center py-0.5 {wanted ? '' : 'text-faint'}"
            title="{club}: {band}, {spare} to the {nearest}"
          >
            <span aria-hidden="true"><Mark {state} size={12} /></span>
            <span aria-hidden="true" class="tabular-nums">{CLUB_LETTERS[club]}</span>
            <span class="sr-only">{club}: {band}, {spare} to the {nearest}</span>
          </li>
        {/each}
      </ul>
    {/each}
  </div>
{/each}
{#if bags.length > 0}
  <p class="mt-1 mb-2 flex flex-wrap gap-x-3 text-xs text-faint">
    {#if bands.has('clear of what was entered')}
      <span><Mark state="unknown" size={10} /> clear of what was entered</span>
    {:else}
      <span><Mark state="clear" size={10} /> clear</span>
    {/if}
    <span><Mark state="tight" size={10} /> test it</span>
    <span><Mark state="blocked" size={10} /> no</span>
    <span>where the ball lies, longest club first</span>
  </p>
{/if}
