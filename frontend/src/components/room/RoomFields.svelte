<script lang="ts">
  import type { LayoutChange, RoomChange } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { COLDEST_WORDS, COLOUR_WORDS, INSULATED_WORDS, LIGHT_WORDS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'
  import FloorLayers from './FloorLayers.svelte'

  /** How the room is lit, warmed and fed, where things are placed, and what lies on the floor. */
  const build = $derived(useBuild()())
  const room = $derived(build.reply?.build.room)
  const dimensions = $derived(build.report?.scene.dimensions ?? [])

  const FLOOR_WORDS = { '': 'not known', concrete: 'concrete', timber: 'timber' } as const
  const MAINS: readonly [keyof RoomChange, string, string][] = [
    ['mains_v', 'Mains voltage', 'not yet'],
    ['breaker_a', 'Breaker of these sockets', 'not yet'],
    ['other_load_w', 'Other load on it', 'none'],
  ]
  const PLACED: readonly [keyof LayoutChange, string, string?][] = [
    ['ball_x_m', 'Left wall to ball'],
    ['right_wall_m', 'Right wall to ball'],
    ['screen_y_m', 'Gap behind the screen'],
    ['screen_x_m', "Left wall to the bay's middle"],
    ['screen_to_right_wall_m', "Right wall to the bay's middle"],
    ['ball_to_screen_m', 'Ball to screen'],
    ['behind_ball_m', 'Behind the ball'],
    ['screen_bottom_m', 'Under the screen'],
    ['left_ball_x_m', "Left wall to left-handers' ball", 'same ball'],
    ['left_ball_y_m', "Screen wall to left-handers' ball", 'same ball'],
    ['lens_distance_m', 'Lens to screen'],
    ['lens_x_m', 'Left wall to lens', "bay's middle"],
    ['lens_height_m', 'Lens height'],
    ['monitor_distance_m', 'Monitor to ball'],
    ['monitor_pad_m', 'Pad under monitor'],
    ['monitor_drop_m', 'Drop rod of the monitor'],
    ['machine_x_m', 'Left wall to machine'],
    ['machine_y_m', 'Screen wall to machine'],
  ]

  function placedText(field: string): string {
    const path = `layout.${field}`
    return build.texts[path] ?? dimensions.find((dimension) => dimension.field === path)?.text ?? ''
  }
</script>

<h2 class="mb-2 text-lg">Light, warmth and power</h2>
<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 sm:max-lg:grid-cols-[1fr_auto_1fr_auto]">
  <span>Light while playing</span>
  <Choice
    label="Light while playing"
    narrow
    field="room.light"
    value={room?.light ?? ''}
    options={LIGHT_WORDS}
    choose={(light) =>
      void build.measureRoom(`light: ${LIGHT_WORDS[light]}`, { light: light === '' ? null : light })}
  />
  <span>Walls</span>
  <Choice
    label="Walls"
    field="room.wall_colour"
    narrow
    value={room?.wall_colour ?? ''}
    options={COLOUR_WORDS}
    choose={(colour) =>
      void build.measureRoom(`walls: ${COLOUR_WORDS[colour]}`, {
        wall_colour: colour === '' ? null : colour,
      })}
  />
  <span>Outside, when it is coldest</span>
  <Choice
    label="Outside, when it is coldest"
    field="room.coldest"
    narrow
    value={room?.coldest ?? ''}
    options={COLDEST_WORDS}
    choose={(coldest) =>
      void build.measureRoom(`coldest: ${COLDEST_WORDS[coldest]}`, {
        coldest: coldest === '' ? null : coldest,
      })}
  />
  <span>Insulated</span>
  <Choice
    label="Insulated"
    field="room.insulated"
    narrow
    value={room?.insulated == null ? '' : room.insulated ? 'yes' : 'no'}
    options={INSULATED_WORDS}
    choose={(answer) =>
      void build.measureRoom(`insulated: ${INSULATED_WORDS[answer]}`, {
        insulated: answer === '' ? null : answer === 'yes',
      })}
  />
  <span>Measured light on the screen</span>
  <QuantityField
    label="Measured light on the screen"
    text={build.texts['room.measured_lux'] ?? ''}
    hint="none yet"
    commit={(typed) => build.measureRoom(`light ${typed}`, { measured_lux: typed })}
  />
  <span>Floor under any covering</span>
  <Choice
    label="Floor under any covering"
    field="room.floor_base"
    narrow
    value={room?.floor_base ?? ''}
    options={FLOOR_WORDS}
    choose={(base) =>
      void build.measureRoom(`floor: ${FLOOR_WORDS[base]}`, { floor_base: base === '' ? null : base })}
  />
  {#each MAINS as [field, label, hint] (field)}
    <span>{label}</span>
    <QuantityField
      {label}
      text={build.texts[`room.${field}`] ?? ''}
      {hint}
      commit={(typed) =>
        build.measureRoom(`${label.toLowerCase()} ${typed}`, {
          [field]: typed === '' && field !== 'other_load_w' ? null : typed,
        })}
    />
  {/each}
</div>

<h2 class="mt-4 mb-2 text-lg">Place</h2>
<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 sm:max-lg:grid-cols-[1fr_auto_1fr_auto]">
  {#each PLACED as [field, label, hint] (field)}
    <span>{label}</span>
    <QuantityField
      {label}
      text={placedText(field)}
      hint={hint ?? 'proposed'}
      commit={(typed) =>
        build.move(`${label.toLowerCase()} ${typed}`, { [field]: typed === '' ? null : typed })}
    />
  {/each}
</div>
<FloorLayers />
