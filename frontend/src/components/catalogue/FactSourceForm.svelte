<script lang="ts">
  import type { Cited, Problem, SheetFact } from '../../api/client'

  /** Where a fact was read and when, and what somebody else states instead. */
  interface Props {
    fact: SheetFact
    commit: (cited: Omit<Cited, 'revision'>) => Promise<Problem[]>
    done: () => void
  }

  let { fact, commit, done }: Props = $props()
  const id = $props.id()
  let problems = $state.raw<Problem[]>([])

  async function finish(event: SubmitEvent & { currentTarget: HTMLFormElement }): Promise<void> {
    event.preventDefault()
    const form = new FormData(event.currentTarget)
    const text = (name: string): string => {
      const value = form.get(name)
      return typeof value === 'string' ? value.trim() : ''
    }
    problems = await commit({
      source: text('source') || 'not said',
      seen: text('seen') || null,
      other: text('other'),
      other_source: text('other_source'),
    })
    if (problems.length === 0) done()
  }
</script>

<form class="grid grid-cols-2 gap-x-3 gap-y-1 py-2 text-sm" onsubmit={(event) => void finish(event)}>
  {#each [['source', 'Read in', fact.source, 'text'], ['seen', 'On', fact.seen, 'date'], ['other', 'Another source states', fact.other, 'text'], ['other_source', 'Which', fact.other_source, 'text']] as const as [name, label, value, type] (name)}
    <span class="flex flex-col">
      <label for="{id}-{name}" class="text-xs text-faint">{label}</label>
      <input id="{id}-{name}" {name} {type} class="blank w-full" {value} />
    </span>
  {/each}
  {#each problems as problem (problem.field)}
    <p role="alert" class="col-span-2 text-xs text-error">{problem.field}: {problem.accepted}</p>
  {/each}
  <button class="btn col-span-2 justify-self-start btn-primary btn-xs">Keep the source</button>
</form>
