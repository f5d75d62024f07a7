<script lang="ts">
  import type { PartDetail } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import Panel from '../Panel.svelte'
  import BuildsInUse from './BuildsInUse.svelte'
  import FactSourceForm from './FactSourceForm.svelte'
  import ReadBy from './ReadBy.svelte'
  import RecordList from './RecordList.svelte'
  import SheetForm from './SheetForm.svelte'

  let { detail, close }: { detail: PartDetail; close: () => void } = $props()
  const build = $derived(useBuild()())
  const part = $derived(detail.part)
  const sheet = $derived(catalogue.sheetOf(part.kind))
  const start = $derived({
    maker: part.maker,
    name: part.name,
    note: part.note,
    ...Object.fromEntries(detail.facts.map((fact) => [fact.field, fact.typed])),
  })
  let editing = $state(false)
  let citing = $state('')
  // Who was sent here to enter a fact finds the form open.
  $effect(() => {
    if (catalogue.asked && sheet) {
      editing = true
      catalogue.asked = ''
    }
  })

  // A fact that changes here may change every verdict of the build.
  async function refreshed<T>(work: Promise<T>): Promise<T> {
    const result = await work
    await build.refresh()
    return result
  }
</script>

<Panel title={part.name} {close}>
  <p>
    {part.maker} · {KIND_WORDS[part.kind] ?? part.kind} · {part.price}
    {#if part.note}<span class="block text-faint">{part.note}</span>{/if}
  </p>
  {#if catalogue.problem}<p role="alert" class="text-error">{catalogue.problem}</p>{/if}
  <BuildsInUse />
  <div class="flex flex-wrap gap-2">
    <button class="btn btn-outline btn-primary btn-sm" onclick={() => (editing = !editing)}
      >{editing ? 'Leave it as it is' : 'Change facts for yourself'}</button
    >
    {#if part.changed}
      <button
        class="btn btn-outline btn-primary btn-sm"
        onclick={() => void refreshed(catalogue.restore(part.part))}>Take your changes back</button
      >
    {/if}
    {#if part.origin !== 'sample'}
      <button class="btn btn-ghost text-primary btn-sm" onclick={() => void catalogue.remove(part.part)}
        >Take it out of the catalogue</button
      >
    {/if}
  </div>
  {#if editing && sheet}
    {#key part.part}
      <SheetForm
        {sheet}
        draft="part {part.part}"
        {start}
        price={detail.price_typed}
        words="Keep these facts"
        startRows={detail.rows}
        commit={async (facts, rows) => {
          const problems = await refreshed(catalogue.change(part.part, facts, rows))
          if (problems.length > 0) return problems
          if (catalogue.problem || catalogue.inUse) return null
          editing = false
          return []
        }}
      />
    {/key}
  {:else}
    <dl class="grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] gap-x-4 text-sm">
      {#each detail.facts as fact (fact.field)}
        {@const field = sheet?.fields.find(({ name }) => name === fact.field)}
        <dt class="border-t border-base-300 py-1">
          {field?.label ?? fact.field}
          <span class="block text-xs text-faint">{field?.meaning}</span>
          {#if field}<ReadBy {field} />{/if}
        </dt>
        <dd class="border-t border-base-300 py-1 text-right">
          {field?.refers_to && fact.typed ? catalogue.wordsOf(field, fact.typed) : fact.text}
          {#each fact.doubts as doubt, number (number)}<span class="block max-w-60 text-xs text-warning"
              >{doubt}</span
            >{/each}
          <button
            class="btn btn-ghost text-primary btn-xs"
            aria-expanded={citing === fact.field}
            onclick={() => (citing = citing === fact.field ? '' : fact.field)}
            ><span class="sr-only">Source of {field?.label ?? fact.field}: </span>{fact.source
              ? `${fact.source}${fact.seen ? `, ${fact.seen}` : ''}`
              : 'source'}</button
          >
        </dd>
        {#if citing === fact.field}
          <dd class="col-span-2 border-l-3 border-primary pl-3">
            <FactSourceForm
              {fact}
              commit={(cited) => refreshed(catalogue.cite(part.part, fact.field, cited))}
              done={() => (citing = '')}
            />
          </dd>
        {/if}
      {/each}
    </dl>
    {#each sheet?.fields ?? [] as field (field.name)}
      {@const rows = detail.rows[field.name] ?? []}
      {#if rows.length > 0}<RecordList {field} {rows} />{/if}
    {/each}
    {#if detail.builds.length > 0}
      <p class="text-sm text-faint">In {detail.builds.join(', ')}.</p>
    {/if}
  {/if}
</Panel>
