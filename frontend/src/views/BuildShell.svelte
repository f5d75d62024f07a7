<script lang="ts">
  import { type Snippet, untrack } from 'svelte'
  import ShortcutsPanel from '../components/ShortcutsPanel.svelte'
  import Announcer from '../components/shell/Announcer.svelte'
  import BuildHeader from '../components/shell/BuildHeader.svelte'
  import FocusKeeper from '../components/shell/FocusKeeper.svelte'
  import MoneyFooter from '../components/shell/MoneyFooter.svelte'
  import Notices from '../components/shell/Notices.svelte'
  import StepPath from '../components/shell/StepPath.svelte'
  import WhyNotPanel from '../components/chain/WhyNotPanel.svelte'
  import WhyPanel from '../components/WhyPanel.svelte'
  import { BuildState, provideBuild } from '../lib/build.svelte'
  import { catalogue } from '../lib/catalogue.svelte'
  import { isTyping, isWriting, shortcutOf } from '../lib/keys'
  import { panels } from '../lib/panels.svelte'
  import { preferences } from '../lib/preferences.svelte'
  import { session } from '../lib/session.svelte'
  import { shops } from '../lib/shops.svelte'
  import { type Changed, steps } from '../lib/steps'
  import { view } from '../lib/view.svelte'
  import { navigate, route } from '../router'
  import NotFound from './NotFound.svelte'

  let { children }: { children: Snippet } = $props()

  const id = $derived(Number(route.params.id))
  const build = $derived(new BuildState(id))
  provideBuild(() => build)
  $effect(() => void build.load())

  // What was open of another build is none of this one's.
  $effect.pre(() => {
    if (id) untrack(() => view.closed())
  })

  let scrolled = $state<HTMLElement | null>(null)
  // What scrolls is not the window, which the router sees to: another view begins at its top.
  $effect.pre(() => {
    if (route.pathname) untrack(() => scrolled)?.scrollTo(0, 0)
  })

  const why = $derived(panels.why && build.verdict(panels.why.id, panels.why.subjectId))

  async function toggleUnits(): Promise<void> {
    if (await session.toggleUnits()) await build.load()
  }

  const undone: Record<Changed, () => Promise<unknown>> = {
    build: () => build.undo(),
    catalogue: () => catalogue.undo().then(() => build.refresh()),
    shops: () => shops.undo(),
  }
  const redone: Record<Changed, () => Promise<unknown>> = {
    build: () => build.redo(),
    catalogue: () => catalogue.redo().then(() => build.refresh()),
    shops: () => shops.redo(),
  }
  const actions: Record<string, () => void> = {
    b: () => void navigate('/builds/:id/brief', { params: { id: String(id) } }),
    r: () => void navigate('/builds/:id/room', { params: { id: String(id) } }),
    p: () => void navigate('/builds/:id/parts', { params: { id: String(id) } }),
    c: () => void navigate('/builds/:id/catalogue', { params: { id: String(id) } }),
    m: () => void navigate('/builds/:id/money', { params: { id: String(id) } }),
    t: () => void navigate('/builds/:id/prices', { params: { id: String(id) } }),
    u: () => void toggleUnits(),
    '?': () => (panels.shortcuts = true),
    s: () => void navigate('/builds/:id/shops', { params: { id: String(id) } }),
    undo: () => void undone[steps.back()](),
    redo: () => void redone[steps.forth()](),
  }

  function onkeydown(event: KeyboardEvent): void {
    const name = shortcutOf(event)
    const action = name === null ? undefined : actions[name]
    const takes = name === 'undo' || name === 'redo' ? isWriting : isTyping
    if (!action || takes(event.target)) return
    if (name?.length === 1 && !preferences.singleKeys) return
    event.preventDefault()
    action()
  }
</script>

<svelte:window
  onbeforeunload={(event) => {
    if (build.waiting.length > 0) event.preventDefault()
  }}
  {onkeydown}
  onfocus={() => void build.refresh()}
/>
<svelte:head><title>{build.reply?.build.name ?? 'Build'} · Jungle</title></svelte:head>

{#if build.missing}
  <NotFound />
{:else if build.reply}
  <div class="shell flex h-dvh flex-col print:h-auto">
    <button
      class="btn sr-only btn-primary btn-sm focus:not-sr-only focus:absolute focus:z-50"
      onclick={() => scrolled?.focus()}>Skip to the view</button
    >
    <Announcer />
    <FocusKeeper />
    <BuildHeader toggleUnits={() => void toggleUnits()} />
    <Notices />
    <div class="flex min-h-0 flex-1 flex-col lg:grid lg:grid-cols-[9.75rem_minmax(0,1fr)]">
      <StepPath />
      <main
        bind:this={scrolled}
        tabindex="-1"
        class="relative min-h-0 min-w-0 flex-1 overflow-y-auto print:overflow-visible"
      >
        {@render children()}
      </main>
    </div>
    <MoneyFooter />
  </div>
  {#if why}<WhyPanel verdict={why} close={() => (panels.why = null)} />{/if}
  {#if panels.whyNot}<WhyNotPanel asked={panels.whyNot} close={() => (panels.whyNot = null)} />{/if}
  {#if panels.shortcuts}<ShortcutsPanel close={() => (panels.shortcuts = false)} />{/if}
{:else}
  <main
    class="grid min-h-dvh place-content-center justify-items-center gap-3 p-4 text-center text-faint"
    aria-busy={!build.problem}
  >
    {#if build.problem}
      <p role="alert" class="max-w-prose">{build.problem}</p>
      {#if build.unreadable}
        <button class="btn btn-primary" onclick={() => void build.undo()}>Undo its last edit</button>
      {/if}
      <button class="btn" onclick={() => void build.load()}>Try again</button>
      <a class="link" href="/">To the builds</a>
    {:else}
      <p role="status">Opening the build</p>
    {/if}
  </main>
{/if}
