<script lang="ts">
  import type { WantedParts } from '../../api/client'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import Choice from '../Choice.svelte'

  /** By kind, by words, by what it costs, by what fits and works here. */
  const wanted = $derived(catalogue.wanted)
  const kinds = { '': 'any kind', ...KIND_WORDS }
  const TICKS = [
    ['fits', 'fits my room'],
    ['works', 'works with what is hung'],
    ['own', 'mine or changed by me'],
  ] as const

  function change(values: WantedParts): void {
    catalogue.findSoon({ ...wanted, ...values })
  }
</script>

<form
  class="mt-4 flex flex-wrap items-end gap-x-4 gap-y-2 border-y border-base-300 py-3"
  role="search"
  onsubmit={(event) => event.preventDefault()}
>
  <span class="flex flex-col">
    <label for="catalogue-text" class="text-xs text-faint">Words</label>
    <input
      id="catalogue-text"
      class="blank w-44"
      value={wanted.text ?? ''}
      oninput={(event) => change({ text: event.currentTarget.value })}
    />
  </span>
  <Choice
    label="Kind"
    showLabel
    value={wanted.kind ?? ''}
    options={kinds}
    choose={(kind) => change({ kind })}
  />
  <div role="group" aria-label="Price" class="flex items-end gap-x-2">
    {#each [['least', 'Price from'], ['most', 'up to']] as const as [field, label] (field)}
      <span class="flex flex-col">
        <label for="catalogue-{field}" class="text-xs text-faint">{label}</label>
        <input
          id="catalogue-{field}"
          class="blank w-20"
          aria-invalid={catalogue.refusal !== ''}
          value={wanted[field] ?? ''}
          onchange={(event) => change({ [field]: event.currentTarget.value })}
        />
      </span>
    {/each}
  </div>
  {#each TICKS as [field, words] (field)}
    <label class="flex min-h-7 items-center gap-2 text-sm">
      <input
        type="checkbox"
        class="checkbox checkbox-sm checkbox-primary"
        checked={wanted[field] ?? false}
        onchange={(event) => change({ [field]: event.currentTarget.checked })}
      />
      {words}
    </label>
  {/each}
</form>
