<script lang="ts">
  import type { Category } from '../../api/client'

  interface Props {
    /** The categories that are in the totals. */
    counted: Category[]
    all: Category[]
    choose: (categories: Category[]) => void
  }

  /** What the totals take in, switched in place. */
  let { counted, all, choose }: Props = $props()

  function toggle(category: Category, on: boolean): void {
    const wanted = all.filter((one) => (one === category ? on : counted.includes(one)))
    if (wanted.length > 0) choose(wanted)
  }
</script>

<fieldset>
  <legend class="mb-1 font-display text-base font-semibold">What is counted</legend>
  <div class="grid grid-cols-2 gap-x-3 text-sm">
    {#each all as category (category)}
      {@const on = counted.includes(category)}
      <label class="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          class="checkbox checkbox-sm checkbox-primary"
          checked={on}
          disabled={on && counted.length === 1}
          onchange={(event) => toggle(category, event.currentTarget.checked)}
        />
        {category}
      </label>
    {/each}
  </div>
</fieldset>
