<script lang="ts">
  import type { LayoutChange, RoomChange } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { LIGHT_WORDS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  const build = $derived(useBuild()())
  const room = $derived(build.reply?.build.room)
  const dimensions = $derived(build.report?.scene.dimensions ?? [])

  const MEASURED: readonly [keyof RoomChange, string][] = [
    ['width_m', 'Width'],
    ['length_m', 'Length'],
    ['ceiling_m', 'Ceiling height'],
    ['lining_m', 'Ceiling lining'],
    ['wall_foam_m', 'Foam behind the screen'],
  ]
  const PLACED: readonly [keyof LayoutChange, string][] = [
    ['ball_x_m', 'Left wall to ball'],
    ['right_wall_m', 'Right wall to ball'],
    ['screen_y_m', 'Gap behind the screen'],
    ['ball_to_screen_m', 'Ball to screen'],
    ['behind_ball_m', 'Behind the ball'],
    ['screen_bottom_m', 'Under the screen'],
    ['lens_distance_m', 'Lens to screen'],
    ['lens_height_m', 'Lens height'],
    ['monitor_distance_m', 'Monitor to ball'],
    ['monitor_pad_m', 'Pad under monitor'],
  ]

  function placedText(field: string): string {
    const path = `layout.${field}`
    return build.texts[path] ?? dimensions.find((dimension) => dimension.field === path)?.text ?? ''
  }
</script>

<h2 class="mb-2 text-lg">Measure</h2>
<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 sm:max-lg:grid-cols-[1fr_auto_1fr_auto]">
  {#each MEASURED as [field, label] (field)}
    <span
      >{label}{#if room?.guessed.includes(field)}<em class="text-faint"> · first guess</em>{/if}</span
    >
    <QuantityField
      {label}
      text={build.texts[`room.${field}`] ?? ''}
      commit={(typed) => build.measureRoom(`${label.toLowerCase()} ${typed}`, { [field]: typed })}
    />
  {/each}
  <span>Light while playing</span>
  <Choice
    label="Light while playing"
    narrow
    value={room?.light ?? 'dim'}
    options={LIGHT_WORDS}
    choose={(light) => void build.measureRoom(`light: ${LIGHT_WORDS[light]}`, { light })}
  />
  <span>Measured light on the screen</span>
  <QuantityField
    label="Measured light on the screen"
    text={build.texts['room.measured_lux'] ?? ''}
    hint="none yet"
    commit={(typed) => build.measureRoom(`light ${typed}`, { measured_lux: typed })}
  />
</div>

<h2 class="mt-4 mb-2 text-lg">Place</h2>
<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 sm:max-lg:grid-cols-[1fr_auto_1fr_auto]">
  {#each PLACED as [field, label] (field)}
    <span>{label}</span>
    <QuantityField
      {label}
      text={placedText(field)}
      hint="proposed"
      commit={(typed) =>
        build.move(`${label.toLowerCase()} ${typed}`, { [field]: typed === '' ? null : typed })}
    />
  {/each}
</div>
