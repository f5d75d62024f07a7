<script lang="ts">
  import type { Problem } from '../../api/client'
  import { catalogue, type Facts, type Rows } from '../../lib/catalogue.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import Choice from '../Choice.svelte'
  import SheetForm from './SheetForm.svelte'

  let { done }: { done: () => void } = $props()
  let kind = $state('projector')
  const sheet = $derived(catalogue.sheetOf(kind))

  async function commit(facts: Facts, rows: Rows): Promise<Problem[] | null> {
    const problems = await catalogue.add(kind, facts, rows)
    if (problems.length > 0) return problems
    if (catalogue.problem) return null
    done()
    return []
  }
</script>

<section class="mt-3 border border-primary p-4" aria-labelledby="new-part">
  <h3 id="new-part" class="mb-2 text-lg">A part of your own</h3>
  <Choice
    label="Kind"
    showLabel
    value={kind}
    options={KIND_WORDS}
    choose={(chosen) => {
      kind = chosen
    }}
  />
  {#if sheet}
    <p class="my-2 text-sm text-faint">
      {sheet.meaning} What is left empty is not known: checks that need it ask for it.
    </p>
    {#key kind}<SheetForm {sheet} draft="new {kind}" words="Add it to the catalogue" {commit} />{/key}
  {/if}
</section>
