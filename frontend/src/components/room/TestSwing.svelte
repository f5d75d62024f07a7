<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { TEST_SWING } from '../../lib/missing'
  import { view } from '../../lib/view.svelte'
  import { CLUBS } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** The slow swing held to a tape: what it showed stands before the estimate, in that direction and for that club. */
  const build = $derived(useBuild()())
  const players = $derived(build.reply?.build.brief.players ?? [])
  const STEPS = [
    'Clear people, pets and loose things out of the swing. Stand where the ball will be, in the shoes you play in.',
    'Swing as slowly as you can, back and through. A helper watches from the side, well away.',
    'Stop where the clubhead is highest, and hold it there: measure straight down to what you stand on.',
    'Where it matters, also stop where it is furthest to your back, behind the ball and ahead of it: measure along the floor from the ball.',
    'Type what you measured. What you did not measure stays an estimate.',
  ]
  const WAYS = [
    { field: 'height_m', label: 'Highest point of the clubhead', words: 'high' },
    { field: 'back_m', label: "Furthest to the golfer's back", words: 'to the back' },
    { field: 'behind_m', label: 'Furthest behind the ball', words: 'behind' },
    { field: 'ahead_m', label: 'Furthest ahead of the ball', words: 'ahead' },
  ] as const
  let step = $state(0)
  let open = $state(false)
  let club = $state<(typeof CLUBS)[number]>('driver')

  const index = $derived(
    Math.max(
      0,
      players.findIndex(({ id }) => id === view.swinging),
    ),
  )
  const player = $derived(players[index])
  const names = $derived(Object.fromEntries(players.map(({ id, name }) => [id, name])))
  const clubs = Object.fromEntries(CLUBS.map((name) => [name, name])) as Record<
    (typeof CLUBS)[number],
    string
  >
  const at = $derived(player?.measured_reaches.findIndex((reach) => reach.club === club) ?? -1)

  function text(who: number, number: number, field: string): string {
    return build.texts[`brief.players.${who}.measured_reaches.${number}.${field}`] ?? ''
  }

  function told(who: number, number: number): string {
    return WAYS.map(({ field, words }) => ({ words, along: text(who, number, field) }))
      .filter(({ along }) => along)
      .map(({ words, along }) => `${along} ${words}`)
      .join(', ')
  }

  $effect(() => {
    if (view.swinging) open = true
  })

  function choosePlayer(id: string): void {
    view.swinging = id
  }

  function chooseClub(name: (typeof CLUBS)[number]): void {
    club = name
  }
</script>

{#if player}
  <details bind:open class="mt-3 border-t border-base-300 pt-2">
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
      <Choice label="Who swings" value={player.id} options={names} choose={choosePlayer} field={TEST_SWING} />
      with the
      <Choice label="Club of the test swing" value={club} options={clubs} choose={chooseClub} />
      reaches
    </p>
    <div class="grid grid-cols-[1fr_auto] items-center gap-x-3 gap-y-1 text-sm">
      {#each WAYS as { field, label } (field)}
        <span aria-hidden="true">{label}</span>
        <QuantityField
          {label}
          text={at < 0 ? '' : text(index, at, field)}
          hint="not yet"
          commit={(typed) =>
            build.measureReach(player.id, club, `${player.name}, ${club}: ${typed}`, { [field]: typed })}
        />
      {/each}
    </div>
    <ul class="text-sm">
      {#each players as { id, name, measured_reaches }, who (id)}
        {#each measured_reaches as reach, number (number)}
          <li class="flex items-center justify-between gap-2">
            <span>
              {name}, {reach.club}: {told(who, number)}; measured {reach.dated}
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
