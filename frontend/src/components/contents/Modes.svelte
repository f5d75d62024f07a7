<script lang="ts">
  import type { Mode } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { KINDS, STAYS_UP_WORDS } from '../../lib/contents'
  import { view } from '../../lib/view.svelte'
  import QuantityField from '../QuantityField.svelte'
  import AddContent from './AddContent.svelte'
  import ContentRow from './ContentRow.svelte'

  /** What the room is used for besides: what is up then, what is out, and what stays clear. */
  const build = $derived(useBuild()())
  const room = $derived(build.reply?.build.room)
  const zones = $derived((room?.kept_clear ?? []).map((zone, index) => ({ zone, index })))
  const PARTS = Object.entries(STAYS_UP_WORDS) as [keyof typeof STAYS_UP_WORDS, string][]
  const id = $props.id()

  function change(
    mode: Mode,
    what: string,
    values: Partial<Pick<Mode, 'name' | 'plays' | 'stays_up' | 'out'>>,
  ) {
    return build.changeContent(`modes/${mode.id}`, `${mode.name}: ${what}`, values)
  }

  function toggled<T>(items: readonly T[], item: T, on: boolean): T[] {
    return on ? [...items, item] : items.filter((other) => other !== item)
  }
</script>

{#snippet tick(label: string, checked: boolean, commit: (on: boolean) => void)}
  <label class="flex min-h-[28px] items-center gap-2">
    <input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      {checked}
      onchange={(event) => commit(event.currentTarget.checked)}
    />
    {label}
  </label>
{/snippet}

<section class="mt-4" aria-labelledby={id}>
  <div class="mb-1 flex items-baseline justify-between gap-2">
    <h2 {id} class="text-lg">Other uses of the room</h2>
    <AddContent
      group="modes"
      added={(fresh) => {
        view.layout = fresh
      }}
    />
  </div>
  {#each room?.modes ?? [] as mode (mode.id)}
    {@const open = view.layout === mode.id}
    <div class="border-b border-base-300 py-1 {open ? 'border-l-3 border-l-primary pl-2' : ''}">
      <div class="flex items-center justify-between gap-2">
        <QuantityField
          label="Name of this use: {mode.name}"
          text={mode.name}
          width="10rem"
          commit={(name) => change(mode, `name ${name}`, { name })}
        />
        <button
          class="btn btn-ghost text-primary btn-xs"
          aria-pressed={open}
          onclick={() => (view.layout = open ? 'playing' : mode.id)}
          >{open ? 'Back to playing' : 'Look at it'}<span class="sr-only">: {mode.name}</span></button
        >
      </div>
      {#if open}
        {@render tick(
          'Somebody swings meanwhile',
          mode.plays,
          (plays) => void change(mode, plays ? 'somebody swings' : 'nobody swings', { plays }),
        )}
        {#if !mode.plays}
          <fieldset>
            <legend class="text-sm text-faint">Of the bay is up:</legend>
            <div class="flex flex-wrap gap-x-4">
              {#each PARTS as [part, words] (part)}
                {@render tick(
                  words,
                  mode.stays_up.includes(part),
                  (on) =>
                    void change(mode, `${words} ${on ? 'up' : 'down'}`, {
                      stays_up: toggled(mode.stays_up, part, on),
                    }),
                )}
              {/each}
            </div>
          </fieldset>
        {/if}
        {#if room && room.stored.length > 0}
          <fieldset>
            <legend class="text-sm text-faint">Out of the room:</legend>
            <div class="flex flex-wrap gap-x-4">
              {#each room.stored as stored (stored.id)}
                {@render tick(
                  stored.name,
                  mode.out.includes(stored.id),
                  (on) =>
                    void change(mode, `${stored.name} ${on ? 'out' : 'in'}`, {
                      out: toggled(mode.out, stored.id, on),
                    }),
                )}
              {/each}
            </div>
          </fieldset>
        {/if}
        <div class="mt-1 flex items-baseline justify-between gap-2">
          <span class="text-sm text-faint">Kept clear:</span>
          <select
            class="blank max-w-36"
            aria-label="Keep clear in {mode.name}"
            value=""
            onchange={(event) => {
              const { value } = event.currentTarget
              event.currentTarget.value = ''
              if (value) void build.addContent('kept_clear', value, KINDS.kept_clear[value] ?? value, mode.id)
            }}
          >
            <option value="">add a zone</option>
            {#each Object.entries(KINDS.kept_clear) as [name, words] (name)}<option value={name}
                >{words}</option
              >{/each}
          </select>
        </div>
        {#each zones.filter(({ zone }) => zone.mode === mode.id) as { zone, index } (zone.id)}
          <ContentRow group="kept_clear" content={zone} {index} />
        {/each}
        <button
          class="btn btn-ghost text-primary btn-xs"
          onclick={() => {
            view.layout = 'playing'
            void build.removeContent(`modes/${mode.id}`, mode.name)
          }}>Take {mode.name} out of the list</button
        >
      {/if}
    </div>
  {:else}
    <p class="text-sm text-faint">None: films, a gym or people who look on each want their own place.</p>
  {/each}
</section>
