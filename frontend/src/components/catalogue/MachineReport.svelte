<script lang="ts">
  import { api, type MachineRead, outcome, type Problem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import FilePicker from '../FilePicker.svelte'
  import Refusal from './Refusal.svelte'
  import SheetForm from './SheetForm.svelte'

  /** An owned computer, from the report it makes itself; what that does not state is asked. */
  let { done }: { done: () => void } = $props()
  const build = $derived(useBuild()())
  const reading = new Resource<MachineRead, [FormData]>((signal, body) =>
    outcome(
      api.POST('/api/catalogue/machine-report', { body: { file: '' }, bodySerializer: () => body, signal }),
    ),
  )
  const read = $derived(reading.data)
  const refusal = $derived(reading.refusal)
  const start = $derived({ maker: 'Owned', ...read?.facts })
  const sheet = $derived(catalogue.sheetOf('computer'))

  async function look(file: File): Promise<void> {
    const body = new FormData()
    body.set('file', file)
    reading.clear()
    await reading.load(body)
  }

  /** Adds it to the catalogue, hangs it, and marks it as owned. */
  async function commit(facts: Record<string, string>): Promise<Problem[]> {
    const problems = await catalogue.add('computer', { ...start, ...facts })
    const added = catalogue.open
    if (problems.length > 0 || !added) return problems
    catalogue.open = null
    await build.hang('machine', added.part.part, added.part.name)
    await build.decide('machine', 'owned', { owned: true })
    done()
    return []
  }
</script>

<section class="mt-3 border border-primary p-4" aria-labelledby="machine-report">
  <h3 id="machine-report" class="mb-2 text-lg">Read a computer’s report</h3>
  <p class="mb-2 max-w-prose text-sm text-faint">
    On Linux, write one with <code>lshw -json &gt; report.json</code>. On Windows, run <code>dxdiag</code> and save
    all information as text. The file stays in your own catalogue.
  </p>
  <FilePicker
    id="report-file"
    label="The report"
    accept=".json,.txt,text/plain,application/json"
    pick={(file) => void look(file)}
  />
  {#if refusal}<Refusal {refusal} />{/if}
  {#if read && sheet}
    <p class="mt-3" role="status">
      Read {Object.keys(read.facts).length} facts from it ({read.told_by}). Still asked, as far as you know:
    </p>
    <ul class="mb-2 list-disc pl-5 text-sm">
      {#each read.asked as fact (fact.field)}
        <li>{sheet.fields.find(({ name }) => name === fact.field)?.label ?? fact.field}: {fact.how}</li>
      {/each}
    </ul>
    <SheetForm
      {sheet}
      draft="report {Object.values(start).join(' ')}"
      {start}
      words="Choose it as your own machine"
      {commit}
    />
  {/if}
</section>
