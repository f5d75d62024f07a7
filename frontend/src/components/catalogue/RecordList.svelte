<script lang="ts">
  import type { SheetField } from '../../api/client'
  import { catalogue } from '../../lib/catalogue.svelte'
  import ReadBy from './ReadBy.svelte'

  /** A list of records as it is read: a line for each, what is not stated left out. */
  let { field, rows }: { field: SheetField; rows: Record<string, string>[] } = $props()
</script>

<section aria-label={field.label}>
  <h3 class="text-sm">{field.label}</h3>
  <p class="text-xs text-faint">{field.meaning}</p>
  <ReadBy {field} />
  <ol class="text-sm">
    {#each rows as row, number (number)}
      <li class="border-t border-base-300 py-1">
        <dl class="flex flex-wrap gap-x-4">
          {#each field.fields.filter(({ name }) => row[name]) as inner (inner.name)}
            <div class="flex gap-1.5">
              <dt class="text-faint">{inner.label}</dt>
              <dd>{catalogue.wordsOf(inner, row[inner.name] ?? '')}</dd>
            </div>
          {/each}
        </dl>
      </li>
    {/each}
  </ol>
</section>
