<script lang="ts">
  import type { RoomChange } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { CEILING_WORDS } from '../../lib/words'
  import { p } from '../../router'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** How large the room is: what every answer begins with. */
  const build = $derived(useBuild()())
  const room = $derived(build.reply?.build.room)

  const MEASURED: readonly [keyof RoomChange, string][] = [
    ['width_m', 'Width'],
    ['length_m', 'Length'],
    ['ceiling_m', 'Ceiling height'],
  ]
  const ADDED: readonly [keyof RoomChange, string][] = [
    ['lining_m', 'Ceiling lining'],
    ['wall_foam_m', 'Foam behind the screen'],
  ]
  const slopes = $derived(room !== undefined && room.ceiling_shape !== 'flat')
</script>

{#snippet measured(field: keyof RoomChange, label: string, guessed: boolean)}
  <span
    >{label}{#if guessed}&nbsp;<em class="text-faint">· first guess</em>{/if}</span
  >
  <QuantityField
    {label}
    field={`room.${field}`}
    text={build.texts[`room.${field}`] ?? ''}
    hint="not yet"
    commit={(typed) => build.measureRoom(`${label.toLowerCase()} ${typed}`, { [field]: typed })}
  />
{/snippet}

<div class="mb-2 flex items-baseline justify-between gap-2">
  <h2 class="text-lg">Measure</h2>
  <a class="text-sm" href={p('/builds/:id/rooms', { params: { id: String(build.id) } })}
    >What the room allows, others beside it</a
  >
</div>
<a
  class="btn mb-3 w-full btn-primary lg:hidden"
  href={p('/builds/:id/room/measure', { params: { id: String(build.id) } })}>Measure one by one</a
>
<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 sm:max-lg:grid-cols-[1fr_auto_1fr_auto]">
  {#each MEASURED as [field, label] (field)}
    {@render measured(field, label, room?.guessed.includes(field) ?? false)}
  {/each}
  <span>Ceiling{slopes ? ', eaves above' : ''}</span>
  <Choice
    label="Shape of the ceiling"
    narrow
    value={room?.ceiling_shape ?? 'flat'}
    options={CEILING_WORDS}
    choose={(ceiling_shape) =>
      void build.measureRoom(`ceiling: ${CEILING_WORDS[ceiling_shape]}`, { ceiling_shape })}
  />
  {#if slopes}{@render measured('ridge_m', 'Highest point', false)}{/if}
  {#each ADDED as [field, label] (field)}
    {@render measured(field, label, false)}
  {/each}
</div>
