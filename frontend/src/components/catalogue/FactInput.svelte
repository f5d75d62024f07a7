<script lang="ts">
  import type { SheetField } from '../../api/client'
  import { catalogue } from '../../lib/catalogue.svelte'
  import ReadBy from './ReadBy.svelte'

  /** One fact as it is typed: by its kind a list of choices, ticks, or text with its unit. */
  interface Props {
    field: SheetField
    value: string
    problem?: string
    /** It stands in a row of a list, which says what reads it. */
    nested?: boolean
    /** What reads it is told. */
    readBy?: boolean
    change: (value: string) => void
  }

  let { field, value, problem = '', nested = false, readBy = true, change }: Props = $props()
  const id = $props.id()
  const chosen = $derived(
    value
      .split(',')
      .map((word) => word.trim())
      .filter((word) => word !== ''),
  )
  const offered = $derived(
    field.typed_as === 'yes_no'
      ? [
          ['yes', 'yes'],
          ['no', 'no'],
        ]
      : field.refers_to
        ? (catalogue.named[field.refers_to] ?? [])
        : field.options,
  )
  // What is stated stays stated, though the part it names has left the catalogue.
  const options = $derived([
    ...offered,
    ...chosen
      .filter((word) => !offered.some(([option]) => option === word))
      .map((word) => [word, `${word}, not in the catalogue`]),
  ])

  function tick(option: string, on: boolean): void {
    const kept = chosen.filter((word) => word !== option)
    change((on ? [...kept, option] : kept).join(', '))
  }
</script>

<div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] items-start gap-x-3 border-b border-base-300 py-1">
  <div class="min-w-0">
    {#if field.typed_as === 'choices'}
      <span id="{id}-label">{field.label}</span>
    {:else}
      <label for={id}>{field.label}</label>
    {/if}
    <p id="{id}-meaning" class="text-xs text-faint">{field.meaning}</p>
    {#if readBy && !nested}<ReadBy {field} />{/if}
  </div>
  <div class="min-w-0">
    {#if field.typed_as === 'choices'}
      <div role="group" aria-labelledby="{id}-label" class="flex max-h-44 flex-wrap gap-x-3 overflow-y-auto">
        {#each options as [option = '', words] (option)}
          <label class="flex min-h-[26px] items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              class="checkbox checkbox-xs checkbox-primary"
              checked={chosen.includes(option)}
              onchange={(event) => tick(option, event.currentTarget.checked)}
            />
            {words}
          </label>
        {/each}
      </div>
    {:else if field.typed_as === 'choice' || field.typed_as === 'yes_no'}
      <select
        {id}
        data-field={nested ? undefined : field.name}
        class="blank max-w-full"
        {value}
        aria-describedby="{id}-meaning"
        onchange={(event) => change(event.currentTarget.value)}
      >
        <option value="">not stated</option>
        {#each options as [option = '', words] (option)}
          <option value={option}>{words}</option>
        {/each}
      </select>
    {:else}
      <span class="flex items-baseline gap-1">
        <input
          {id}
          data-field={nested ? undefined : field.name}
          class="blank min-w-0 flex-1"
          {value}
          type={field.typed_as === 'day' ? 'date' : 'text'}
          placeholder="not stated"
          autocomplete="off"
          aria-invalid={problem !== ''}
          aria-describedby="{id}-meaning"
          onchange={(event) => change(event.currentTarget.value)}
        />
        {#if field.unit && value === ''}<span class="text-sm text-faint">{field.unit}</span>{/if}
      </span>
    {/if}
    {#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
  </div>
</div>
