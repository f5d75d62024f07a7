<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { PURPOSE_WORDS } from '../../lib/words'

  let { purposes }: { purposes: Record<string, number> } = $props()
  const build = $derived(useBuild()())
  const WEIGHTS = [0, 1, 2, 3, 4, 5]
  const WORDS = ['not at all', 'a little', 'somewhat', 'gladly', 'much', 'a must']

  function weigh(purpose: string, weight: number): void {
    void build.changeBrief(`weight of ${PURPOSE_WORDS[purpose] ?? purpose}`, {
      purposes: { ...purposes, [purpose]: weight },
    })
  }
</script>

<p class="mb-2 text-sm text-faint">
  0 is not at all; from 3 on a purpose decides parts; 5 is a must, and rules out what cannot do it.
</p>
{#each Object.entries(PURPOSE_WORDS) as [purpose, words] (purpose)}
  {@const weight = purposes[purpose] ?? 0}
  <fieldset class="flex items-center justify-between gap-2 border-b border-base-300 py-1">
    <legend class="float-left">{words}</legend>
    <div class="ml-auto flex">
      {#each WEIGHTS as step (step)}
        <label
          class="grid size-7 cursor-pointer place-content-center hover:bg-base-200 has-focus-visible:outline-2"
          title={WORDS[step]}
        >
          <input
            class="sr-only"
            type="radio"
            name="weight-{purpose}"
            value={step}
            checked={step === weight}
            onchange={() => weigh(purpose, step)}
            aria-label="{step}, {WORDS[step]}"
          />
          <span
            class="grid size-5 place-content-center text-xs {step === weight
              ? 'bg-primary text-primary-content'
              : step < weight
                ? 'bg-primary/20'
                : ''}"
            aria-hidden="true">{step}</span
          >
        </label>
      {/each}
    </div>
  </fieldset>
{/each}
