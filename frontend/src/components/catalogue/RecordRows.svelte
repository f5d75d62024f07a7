<script lang="ts">
  import type { Problem, SheetField } from '../../api/client'
  import FactInput from './FactInput.svelte'
  import ReadBy from './ReadBy.svelte'

  /** A list of records, a row of its own fields for each: plans, links, needs. */
  interface Props {
    field: SheetField
    rows: Record<string, string>[]
    problems: Problem[]
    /** What reads it is told. */
    readBy?: boolean
    change: (rows: Record<string, string>[]) => void
  }

  let { field, rows, problems, readBy = true, change }: Props = $props()

  function set(number: number, name: string, value: string): void {
    change(rows.map((row, at) => (at === number ? { ...row, [name]: value } : row)))
  }

  function problem(number: number, name: string): string {
    const found = problems.find((one) => one.field === `${field.name}.${number}.${name}`)
    return found ? `${found.value || 'Empty'} is not accepted: ${found.accepted}` : ''
  }
</script>

<section class="border-b border-base-300 py-2" aria-label={field.label}>
  <p>{field.label} <span class="block text-xs text-faint">{field.meaning}</span></p>
  {#if readBy}<ReadBy {field} />{/if}
  {#each rows as row, number (number)}
    <fieldset class="mt-2 border-l-3 border-base-300 pl-3">
      <legend class="sr-only">{field.label}, {number + 1}</legend>
      {#each field.fields as inner (inner.name)}
        <FactInput
          field={inner}
          nested
          value={row[inner.name] ?? ''}
          problem={problem(number, inner.name)}
          change={(value) => set(number, inner.name, value)}
        />
      {/each}
      <button
        type="button"
        class="btn btn-ghost text-primary btn-xs"
        onclick={() => change(rows.filter((_, at) => at !== number))}
        >Take out<span class="sr-only">: {field.label}, {number + 1}</span></button
      >
    </fieldset>
  {/each}
  <button type="button" class="btn mt-1 btn-outline btn-primary btn-xs" onclick={() => change([...rows, {}])}
    >Add<span class="sr-only"> to {field.label}</span></button
  >
</section>
