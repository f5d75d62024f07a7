<script lang="ts">
  import type { Problem, SheetField } from '../../api/client'
  import type { Facts, Rows } from '../../lib/catalogue.svelte'
  import SheetForm from '../catalogue/SheetForm.svelte'

  /** The terms of a shop, or an offer, as a form. */
  interface Props {
    fields: SheetField[]
    draft: string
    start?: Facts
    startRows?: Rows
    words: string
    commit: (facts: Facts, rows: Rows) => Promise<Problem[]>
    done?: () => void
  }

  let { fields, draft, start = {}, startRows = {}, words, commit, done }: Props = $props()

  async function keep(facts: Facts, rows: Rows): Promise<Problem[]> {
    const problems = await commit(facts, rows)
    if (problems.length === 0) done?.()
    return problems
  }
</script>

<SheetForm
  sheet={{ fields }}
  only={fields.map(({ name }) => name)}
  readBy={false}
  {draft}
  {start}
  {startRows}
  {words}
  commit={keep}
/>
