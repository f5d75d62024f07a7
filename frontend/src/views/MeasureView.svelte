<script lang="ts">
  import { onDestroy } from 'svelte'
  import type { Problem } from '../api/client'
  import BuildDrawing from '../components/drawing/BuildDrawing.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { measurements } from '../lib/measuring'
  import { session } from '../lib/session.svelte'
  import { view } from '../lib/view.svelte'
  import { navigate, p } from '../router'

  /** Standing in the room with a tape: one measurement at a time, with one hand. */
  const build = $derived(useBuild()())
  const all = $derived(measurements(build))
  let number = $state(0)
  let typed = $state<string | null>(null)
  let problem = $state('')
  let busy = $state(false)
  /** What was typed and waits for the connection, by field. */
  let waiting = $state<Record<string, string>>({})
  const now = $derived(all[Math.min(number, all.length - 1)])
  const shown = $derived(typed ?? (now && (waiting[now.field] ?? build.texts[now.field])) ?? '')
  const address = $derived({ params: { id: String(build.id) } })
  const was = [...view.hidden]

  $effect(() => {
    view.measuring = now?.line ?? ''
    view.chosen = now?.subject ?? ''
    view.layout = now?.subject.startsWith('stored/') && build.report?.stowed ? 'stowed' : 'playing'
  })
  // Only what is measured is drawn with its lengths, and nobody swings meanwhile.
  for (const layer of ['dimensions', 'swings', 'hitting'] as const) view.hidden.add(layer)
  onDestroy(() => {
    view.measuring = ''
    view.chosen = ''
    view.layout = 'playing'
    view.hidden.clear()
    for (const layer of was) view.hidden.add(layer)
  })

  function send(text: string): Promise<Problem[]> {
    if (!now) return Promise.resolve([])
    const field = now.field.split('.').at(-1) ?? ''
    const what = `${now.label.toLowerCase()} ${text}`
    if (now.subject) return build.changeContent(now.subject, what, { [field]: text })
    return build.measureRoom(what, { [field]: text })
  }

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    if (!now) return
    if (typed !== null && typed.trim() !== build.texts[now.field]) {
      const { field } = now
      const text = typed.trim()
      busy = true
      const made = send(text)
      const lost = build.connectionLost().then(() => 'lost' as const)
      const result = await Promise.race([made, lost])
      busy = false
      if (result === 'lost') {
        waiting = { ...waiting, [field]: text }
        void made.then(([refused]) => {
          waiting = Object.fromEntries(Object.entries(waiting).filter(([other]) => other !== field))
          if (refused) back(field, text, refused)
        })
      } else if (result[0]) {
        problem = `${result[0].value || 'An empty field'} is not accepted: ${result[0].accepted}`
        return
      }
    }
    go(number + 1)
  }

  /** Goes back to a measurement that was refused once the connection was there again. */
  function back(field: string, text: string, refused: Problem): void {
    go(all.findIndex((measurement) => measurement.field === field))
    typed = text
    problem = `${refused.value || 'An empty field'} is not accepted: ${refused.accepted}`
  }

  function go(to: number): void {
    typed = null
    problem = ''
    if (to >= all.length) void navigate('/builds/:id/room', address)
    else number = Math.max(0, to)
  }

  function select(input: HTMLInputElement): () => void {
    input.focus()
    return $effect.root(() => {
      $effect(() => {
        if (now) {
          input.focus()
          input.select()
        }
      })
    })
  }
</script>

{#if now}
  <div class="mx-auto flex h-full max-w-xl flex-col">
    <div class="min-h-0 flex-1 p-1"><BuildDrawing /></div>
    <form class="border-t border-base-300 p-3" onsubmit={(event) => void keep(event)}>
      <p class="flex items-baseline justify-between gap-2 text-sm text-faint">
        <span>{number + 1} of {all.length}</span>
        <a href={p('/builds/:id/room', address)}>Done</a>
      </p>
      <label class="block">
        <span class="block text-lg font-semibold">{now.label}</span>
        <span class="block text-sm text-faint">{now.how}</span>
        <input
          class="blank mt-1 w-full text-2xl"
          style:height="3rem"
          inputmode={session.numberKeys}
          autocomplete="off"
          value={shown}
          placeholder="not measured"
          aria-invalid={problem !== ''}
          aria-describedby="measure-problem"
          oninput={(event) => (typed = event.currentTarget.value)}
          {@attach select}
        />
      </label>
      <p id="measure-problem" role="alert" class="min-h-5 text-sm text-error">{problem}</p>
      <div class="mt-1 grid grid-cols-2 gap-3">
        <button type="button" class="btn" disabled={number === 0} onclick={() => go(number - 1)}>Back</button>
        <button class="btn btn-primary" disabled={busy}
          >{number + 1 === all.length ? 'Keep it, done' : 'Keep it, next'}</button
        >
      </div>
    </form>
  </div>
{:else}
  <p class="p-4">There is nothing to measure yet.</p>
{/if}
