<script lang="ts">
  import type { Verdict } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { STATE_WORDS } from '../../lib/words'

  /** Tells who does not see the screen what an edit has changed: each verdict that came out otherwise. */
  const MOST = 3
  const build = $derived(useBuild()())
  let said = $state('')
  let known: { id: number; revision: number; states: Map<string, string> } | null = null

  const key = ({ id, subject_id }: Verdict) => `${id} ${subject_id}`

  $effect(() => {
    const reply = build.reply
    if (!reply) return
    const { verdicts } = reply.report
    if (known?.id === reply.id && known.revision !== reply.revision) {
      const before = known.states
      const changed = verdicts.filter((verdict) => {
        const was = before.get(key(verdict))
        return was !== undefined && was !== verdict.state
      })
      const told = changed.slice(0, MOST).map(({ title, state }) => `${title}: ${STATE_WORDS[state]}`)
      const more = changed.length - told.length
      said =
        changed.length === 0
          ? 'Nothing came out otherwise.'
          : `${told.join('. ')}${more > 0 ? `, and ${more} more` : ''}.`
    }
    const states = new Map(verdicts.map((verdict) => [key(verdict), verdict.state]))
    known = { id: reply.id, revision: reply.revision, states }
  })
</script>

<p class="sr-only" role="status">{said}</p>
