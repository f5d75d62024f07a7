<script lang="ts">
  import type { PartFilter } from '../../api/client'
  import { KIND_WORDS } from '../../lib/kinds'
  import Choice from '../Choice.svelte'

  interface Props {
    filter: PartFilter
    kinds: string[]
    shown: number
    all: number
    change: (filter: PartFilter) => void
  }

  let { filter, kinds, shown, all, change }: Props = $props()
  const kindOptions = $derived<Record<string, string>>({
    '': 'any kind',
    ...Object.fromEntries(kinds.map((kind) => [kind, KIND_WORDS[kind] ?? kind])),
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
