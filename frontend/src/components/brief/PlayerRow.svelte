<script lang="ts">
  import type { Player, PlayerChange } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { BAND_WORDS, CLUBS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  let { player, index }: { player: Player; index: number } = $props()
  const build = $derived(useBuild()())
  const clubs = Object.fromEntries(CLUBS.map((club) => [club, club])) as Record<
    Player['longest_club'],
    string
  >
  const hands = { right: 'right-handed', left: 'left-handed' } as const

  function change(what: string, values: PlayerChange) {
    return build.changePlayer(player.id, `${player.name}: ${what}`, values)
  }
</script>

<div class="border-b border-base-300 py-2 leading-9">
  <QuantityField
    label="Name"
    text={player.name}
    width="5.5rem"
    commit={(name) => change(`name ${name}`, { name })}
  />
  is
  <QuantityField
    label="Height of {player.name}"
    text={build.texts[`brief.players.${index}.height_m`] ?? ''}
    width="6.75rem"
    commit={(typed) => change(`height ${typed}`, { height_m: typed })}
  />
  tall, plays
  <Choice
    label="Hand of {player.name}"
    value={player.handedness}
    options={hands}
    choose={(handedness) => void change(hands[handedness], { handedness })}
  />
  up to the
  <Choice
    label="Longest club of {player.name}"
    value={player.longest_club}
    options={clubs}
    choose={(longest_club) => void change(longest_club, { longest_club })}
  />
  with a
  <Choice
    label="Speed band of {player.name}"
    value={player.speed_band}
    options={BAND_WORDS}
    choose={(speed_band) => void change(speed_band, { speed_band })}
  />
  ball speed, measured
  <QuantityField
    label="Measured driver ball speed of {player.name}"
    text={build.texts[`brief.players.${index}.measured_ball_speed_m_s`] ?? ''}
    hint="not yet"
    width="5rem"
    commit={(typed) => change(`ball speed ${typed}`, { measured_ball_speed_m_s: typed })}
  />
  <span class="inline-flex items-center gap-4">
    <label class="inline-flex items-center gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-sm checkbox-primary"
        checked={player.early_release}
        onchange={(event) => void change('early release', { early_release: event.currentTarget.checked })}
      />
      releases early
    </label>
    <button
      class="btn btn-ghost text-primary btn-xs"
      aria-label="Take out {player.name}"
      onclick={() => void build.removePlayer(player.id)}>Take out</button
    >
  </span>
</div>
