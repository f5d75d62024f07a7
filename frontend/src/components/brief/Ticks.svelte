<script lang="ts" generics="T extends string">
  interface Props {
    legend: string
    options: Readonly<Record<T, string>>
    chosen: readonly T[]
    choose: (chosen: T[]) => void
  }

  let { legend, options, chosen, choose }: Props = $props()

  function toggle(option: T, on: boolean): void {
    choose(on ? [...chosen, option] : chosen.filter((other) => other !== option))
  }
</script>

<fieldset class="leading-normal">
  <legend class="float-left mr-3">{legend}</legend>
  <div class="flex flex-wrap gap-x-4">
    {#each Object.entries<string>(options) as [option, words] (option)}
      <label class="flex min-h-[28px] items-center gap-2">
        <input
          type="checkbox"
          class="checkbox checkbox-sm checkbox-primary"
          checked={chosen.includes(option as T)}
          onchange={(event) => toggle(option as T, event.currentTarget.checked)}
        />
        {words}
      </label>
    {/each}
  </div>
</fieldset>
