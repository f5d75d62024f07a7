<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { CLUBS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** The slow swing held to a tape: its height stands before the estimate for that player and club. */
  const build = $derived(useBuild()())
  const players = $derived(build.reply?.build.brief.players ?? [])
  const STEPS = [
    'Clear people, pets and loose things out of the swing. Stand where the ball will be, in the shoes you play in.',
    'Swing as slowly as you can, back and through. A helper watches from the side, well away.',
    'Stop where the clubhead is highest, and hold it there.',
    'Measure from the clubhead straight down to what you stand on, and type it here.',
  ]
  let step = $state(0)
  let chosen = $state('')
  let club = $state<(typeof CLUBS)[number]>('driver')

  const index = $derived(
    Math.max(
      0,
      players.findIndex(({ id }) => id === chosen),
    ),
  )
  const player = $derived(players[index])
  const names = $derived(Object.fromEntries(players.map(({ id, name }) => [id, name])))
  const clubs = Object.fromEntries(CLUBS.map((name) => [name, name])) as Record<
    (typeof CLUBS)[number],
    string
  >
  const text = $derived.by(() => {
    const at = player?.measured_reaches.findIndex((reach) => reach.club === club) ?? -1
    return at < 0 ? '' : (build.texts[`brief.players.${index}.measured_reaches.${at}.height_m`] ?? '')
  })

  function choosePlayer(id: string): void {
    chosen = id
  }

  function chooseClub(name: (typeof CLUBS)[number]): void {
    club = name
  }
</script>

{#if player}
  <details class="mt-3 border-t border-base-300 pt-2">
    <summary class="min-h-[24px] cursor-pointer text-primary">Slow test swing, measured with a tape</summary>
    <ol class="my-2 list-decimal space-y-1 pl-5 text-sm max-sm:hidden">
      {#each STEPS as words (words)}<li>{words}</li>{/each}
    </ol>
    <div class="my-2 sm:hidden">
      <p class="text-sm text-faint" aria-live="polite">Step {step + 1} of {STEPS.length}</p>
      <p class="min-h-16 text-lg leading-snug">{STEPS[step]}</p>
      <div class="grid grid-cols-2 gap-3">
        <button class="btn" disabled={step === 0} onclick={() => (step -= 1)}>Step back</button>
        <button class="btn btn-primary" disabled={step === STEPS.length - 1} onclick={() => (step += 1)}
          >{step === STEPS.length - 2 ? 'Now measure' : 'Done, next step'}</button
        >
      </div>
    </div>
    <p class="leading-9">
      <Choice label="Who swings" value={player.id} options={names} choose={choosePlayer} />
      with the
      <Choice label="Club of the test swing" value={club} options={clubs} choose={chooseClub} />
      reaches
      <QuantityField
        label="Highest point of the clubhead"
        {text}
        hint="not yet"
        commit={(typed) => build.measureReach(player.id, club, `${player.name}, ${club}: ${typed}`, typed)}
      />
    </p>
    <ul class="text-sm">
      {#each players as { id, name, measured_reaches }, who (id)}
        {#each measured_reaches as reach, number (number)}
          <li class="flex items-center justify-between gap-2">
            <span>
              {name}, {reach.club}: {build.texts[`brief.players.${who}.measured_reaches.${number}.height_m`]},
              measured {reach.dated}
            </span>
            <button
              class="btn btn-ghost text-primary btn-xs"
              aria-label="Withdraw the {reach.club} of {name}"
              onclick={() => void build.withdrawReach(id, reach.club, name)}>Withdraw</button
            >
          </li>
        {/each}
      {/each}
    </ul>
  </details>
{/if}
