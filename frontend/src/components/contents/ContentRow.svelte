<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down'
  import type { Content, ContentChange, ContentGroup } from '../../api/client'
  import { type Asked, CHOICES, LENGTHS, LUMENS, NEW_PLACE, OF_KIND, PLAY_PLACE } from '../../lib/contents'
  import { useBuild } from '../../lib/build.svelte'
  import { view } from '../../lib/view.svelte'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  interface Props {
    group: ContentGroup
    content: Content
    index: number
  }

  let { group, content, index }: Props = $props()
  const build = $derived(useBuild()())
  const subject = $derived(`${group}/${content.id}`)
  const circuits = $derived(build.reply?.build.room.circuits ?? [])
  const open = $derived(view.chosen === subject)
  const asked = $derived<Asked[]>([
    ...LENGTHS[group],
    ...(group === 'things' && chosen('decision') === 'move' ? NEW_PLACE : []),
    ...(chosen('kind') === 'lamp' ? [LUMENS] : []),
    ...(group === 'stored' && chosen('while_playing') === 'moved' ? PLAY_PLACE : []),
  ])

  function text(field: string): string {
    return build.texts[`room.${group}.${index}.${field}`] ?? ''
  }

  function change(what: string, values: ContentChange) {
    return build.changeContent(subject, `${content.name}: ${what}`, values)
  }

  /** As the core takes it: not said, yes or no, or the word itself. */
  function answerOf(value: string): string | boolean | null {
    if (value === 'unsaid') return null
    return value === 'true' ? true : value === 'false' ? false : value
  }

  function chosen(field: string): string {
    return String(content[field])
  }
</script>

<div class="border-b border-base-300 {open ? 'border-l-3 border-l-primary pl-2' : ''}">
  <div class="flex items-center gap-2 py-1">
    <button
      class="flex min-h-[28px] min-w-0 flex-1 items-center gap-1 text-left"
      aria-expanded={open}
      onclick={() => view.choose(subject)}
    >
      <ChevronDown size={14} class="shrink-0 {open ? '' : '-rotate-90'}" aria-hidden="true" />
      <span class="truncate">{content.name}</span>
    </button>
    {#each CHOICES[group].slice(0, 1) as { field, label, options } (field)}
      <Choice
        label="{label}: {content.name}"
        value={chosen(field)}
        {options}
        choose={(value) => void change(options[value] ?? value, { [field]: value })}
      />
    {/each}
  </div>
  {#if open}
    <div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 pb-2">
      <span>Name</span>
      <QuantityField
        label="Name of {content.name}"
        text={content.name}
        width="9.5rem"
        commit={(name) => change(`name ${name}`, { name })}
      />
      {#each asked as { field, label, optional } (field)}
        <span>{label}</span>
        <QuantityField
          label="{label}, {content.name}"
          text={text(field)}
          width="7.5rem"
          hint={field === 'lumens' || field === 'breaker_a' ? 'not said' : optional ? 'as now' : ''}
          commit={(typed) =>
            change(`${label.toLowerCase()} ${typed}`, { [field]: optional && typed === '' ? null : typed })}
        />
      {/each}
      {#each CHOICES[group].slice(1) as { field, label, options } (field)}
        <span>{label}</span>
        <Choice
          label="{label}: {content.name}"
          narrow
          value={chosen(field)}
          {options}
          choose={(value) => void change(options[value] ?? value, { [field]: value })}
        />
      {/each}
      {#each OF_KIND.filter(({ kind }) => kind === chosen('kind')) as { field, label, options } (field)}
        <span>{label}</span>
        <Choice
          label="{label}: {content.name}"
          field="{group}/{content.id}.{field}"
          narrow
          value={content[field] == null ? 'unsaid' : chosen(field)}
          {options}
          choose={(value) => void change(options[value] ?? value, { [field]: answerOf(value) })}
        />
      {/each}
      {#if group === 'sockets' && circuits.length > 0}
        <span>On</span>
        <Choice
          label="Circuit of {content.name}"
          narrow
          value={typeof content.circuit === 'string' ? content.circuit : ''}
          options={{
            '': 'the breaker above',
            ...Object.fromEntries(circuits.map(({ id, name }) => [id, name])),
          }}
          choose={(circuit) => void change('circuit', { circuit: circuit === '' ? null : circuit })}
        />
      {/if}
      {#if chosen('kind') === 'door' && chosen('opens') !== 'not'}
        <label class="col-span-2 flex items-center gap-2">
          <input
            type="checkbox"
            class="checkbox checkbox-sm checkbox-primary"
            checked={chosen('open_while_playing') === 'true'}
            onchange={(event) =>
              void change('open while playing or not', {
                open_while_playing: event.currentTarget.checked,
              })}
          />
          Stands open while you play
        </label>
      {/if}
      {#if group === 'openings' && chosen('opens') === 'inward'}
        <label class="col-span-2 flex items-center gap-2">
          <input
            type="checkbox"
            class="checkbox checkbox-sm checkbox-primary"
            checked={chosen('hinge_far') === 'true'}
            onchange={(event) => void change('hinges', { hinge_far: event.currentTarget.checked })}
          />
          Hinges at its far end
        </label>
      {/if}
      <button
        class="btn col-span-2 justify-self-start btn-ghost text-primary btn-xs"
        onclick={() => void build.removeContent(subject, content.name)}
        >Take {content.name} out of the list</button
      >
    </div>
  {/if}
</div>
