<script lang="ts">
  import type { Verdict } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import AnswerGroup from './AnswerGroup.svelte'
  import ClubBands from './ClubBands.svelte'
  import HittingSpots from './HittingSpots.svelte'
  import LengthBudget from './LengthBudget.svelte'
  import TestSwing from './TestSwing.svelte'

  /** The room's own answers, grouped by what was checked, what needs a look first in front. */
  const CLUBS_CHECK = 'swing.longest_club'
  const build = $derived(useBuild()())
  const groups = $derived.by(() => {
    const found: Record<string, Verdict[]> = {}
    for (const verdict of build.report?.verdicts ?? []) {
      if (verdict.step === 'room' && verdict.id !== CLUBS_CHECK) (found[verdict.id] ??= []).push(verdict)
    }
    const worstFirst = Object.values(found).map((group) => group.sort((a, b) => b.rank - a.rank))
    const rank = (group: Verdict[]) => group[0]?.rank ?? 0
    return worstFirst.sort((a, b) => rank(b) - rank(a))
  })
  const clear = $derived(groups.filter((verdicts) => verdicts[0]?.state === 'clear'))
  /** Beside the drawing there is room for all of them; on a phone what is clear is folded away. */
  const wide = matchMedia('(min-width: 64rem)').matches
</script>

<h2 class="mb-1 text-lg">Does it fit</h2>
{#if build.reply?.build.brief.players.length === 0}
  <p class="mb-2 text-faint">Add players to the brief to see their swings here.</p>
{/if}
<ClubBands check={CLUBS_CHECK} />
{#each build.report?.assumed ?? [] as words (words)}<p class="py-1 text-sm text-faint">{words}</p>{/each}
{#each groups as verdicts (verdicts[0]?.id)}
  {#if verdicts[0]?.state !== 'clear'}<AnswerGroup {verdicts} />{/if}
{/each}
{#if clear.length > 0}
  <details open={wide}>
    <summary class="min-h-[28px] cursor-pointer leading-[28px] text-primary"
      >{clear.length} clear {clear.length === 1 ? 'answer' : 'answers'}</summary
    >
    {#each clear as verdicts (verdicts[0]?.id)}<AnswerGroup {verdicts} />{/each}
  </details>
{/if}
<HittingSpots />
<LengthBudget />
<TestSwing />
<p class="mt-2 text-xs text-faint">{build.report?.caution}</p>
