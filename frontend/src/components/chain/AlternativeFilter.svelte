<script lang="ts">
  import type { FilterFact, PlaceFilter } from '../../api/client'
  import { KIND_WORDS } from '../../lib/kinds'
  import Choice from '../Choice.svelte'

  interface Props {
    filter: PlaceFilter
    kinds: string[]
    /** What decides here, and parts may be found by. */
    facts: FilterFact[]
    problem: string
    shown: number
    all: number
    change: (filter: PlaceFilter) => void
  }

  let { filter, kinds, facts, problem, shown, all, change }: Props = $props()
  const kindOptions = $derived<Record<string, string>>({
    '': 'any kind',
    ...Object.fromEntries(kinds.map((kind) => [kind, KIND_WORDS[kind] ?? kind])),
  })
  const SENSE_WORDS = { at_least: 'at least', at_most: 'at most', is: '' } as const
  const factOptions = $derived<Record<string, string>>({
    '': 'any facts',
    ...Object.fromEntries(
      facts.map(({ field, words, sense }) => [field, `${words} ${SENSE_WORDS[sense]}`.trim()]),
    ),
  })
  const asked = $derived(facts.find(({ field }) => field === filter.fact))
  const valueOptions = $derived<Record<string, string>>({
    '': 'choose',
    ...Object.fromEntries((asked?.choices ?? []).map((word) => [word, word.replaceAll('_', ' ')])),
  })
  const id = $props.id()
</script>

<form
  class="flex flex-wrap items-end gap-x-3 gap-y-1 pb-1"
  role="search"
  onsubmit={(event) => event.preventDefault()}
>
  <span class="flex flex-col">
    <label for="{id}-text" class="text-xs text-faint">Words</label>
    <input
      id="{id}-text"
      class="blank w-28"
      value={filter.text ?? ''}
      oninput={(event) => change({ ...filter, text: event.currentTarget.value })}
    />
  </span>
  <span class="flex flex-col">
    <label for="{id}-most" class="text-xs text-faint">Price up to</label>
    <input
      id="{id}-most"
      class="blank w-20"
      value={filter.most ?? ''}
      onchange={(event) => change({ ...filter, most: event.currentTarget.value })}
    />
  </span>
  {#if kinds.length > 1}
    <Choice
      label="Kind"
      showLabel
      narrow
      value={filter.kind ?? ''}
      options={kindOptions}
      choose={(kind) => change({ ...filter, kind })}
    />
  {/if}
  <Choice
    label="Only with"
    showLabel
    narrow
    value={filter.fact ?? ''}
    options={factOptions}
    choose={(fact) => change({ ...filter, fact, value: '' })}
  />
  {#if asked && asked.choices.length > 0}
    <Choice
      label="Which {asked.words}"
      narrow
      value={filter.value ?? ''}
      options={valueOptions}
      choose={(value) => change({ ...filter, value })}
    />
  {:else if asked}
    <input
      class="blank w-20 self-end"
      aria-label={factOptions[asked.field]}
      aria-invalid={problem !== ''}
      value={filter.value ?? ''}
      onchange={(event) => change({ ...filter, value: event.currentTarget.value })}
    />
  {/if}
  <label class="flex min-h-7 items-center gap-2 text-sm">
    <input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      checked={filter.usable ?? false}
      onchange={(event) => change({ ...filter, usable: event.currentTarget.checked })}
    />
    works here
  </label>
  <span class="ml-auto self-end text-xs text-faint" role="status">{shown} of {all}</span>
</form>
