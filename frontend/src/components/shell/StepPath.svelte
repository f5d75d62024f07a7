<script lang="ts">
  import type { Report } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { session } from '../../lib/session.svelte'
  import { counted, STEP_WORDS } from '../../lib/words'
  import { p, route } from '../../router'
  import Mark from '../Mark.svelte'

  const build = $derived(useBuild()())
  const questions = $derived(build.report?.questions ?? [])
  const next = $derived(questions[0])
  const alerts = $derived(session.session?.alerts[String(build.id)] ?? 0)

  function summary(step: Report['steps'][number]): string {
    const parts = [
      ...(step.blocked ? [`${step.blocked} in the way`] : []),
      ...(step.questions ? [counted(step.questions, 'open question')] : []),
    ]
    return parts.join(', ') || 'nothing open'
  }
</script>

<nav aria-label="Steps" class="flex border-base-300 lg:flex-col lg:gap-1 lg:border-r lg:py-3">
  {#each build.report?.steps ?? [] as status (status.step)}
    {@const step = status.step}
    {@const here = route.pathname.startsWith(`/builds/${build.id}/${step}`)}
    <a
      href={p(`/builds/:id/${step}`, { params: { id: String(build.id) } })}
      aria-current={here ? 'page' : undefined}
      class="flex flex-1 flex-col justify-center border-t-3 px-3 py-2 text-base-content no-underline hover:bg-base-200 max-sm:px-1 lg:flex-none lg:border-t-0 lg:border-l-3 {here
        ? 'border-primary bg-base-200'
        : 'border-transparent'}"
    >
      <span class="flex items-center gap-2 font-display text-base font-semibold max-sm:gap-1 max-sm:text-sm"
        ><Mark state={status.state} size={11} />{STEP_WORDS[step]}</span
      >
      <span class="text-xs text-faint max-sm:sr-only">{summary(status)}</span>
    </a>
  {/each}
  {#each [['prices', 'Prices'], ['catalogue', 'Catalogue'], ['shops', 'Shops']] as const as [view, words] (view)}
    <a
      href={p(`/builds/:id/${view}`, { params: { id: String(build.id) } })}
      aria-current={route.pathname.endsWith(`/${view}`) ? 'page' : undefined}
      class="flex flex-col justify-center border-t-3 px-3 py-2 text-sm text-base-content no-underline hover:bg-base-200 max-sm:px-1 max-sm:text-xs lg:border-t-0 lg:border-l-3 {route.pathname.endsWith(
        `/${view}`,
      )
        ? 'border-primary bg-base-200'
        : 'border-transparent'}"
      ><span
        >{words}{#if view === 'prices' && alerts}
          <span class="ml-1 bg-primary px-1 text-xs text-primary-content"
            >{alerts}<span class="sr-only"> came to their targets</span></span
          >{/if}</span
      ></a
    >
  {/each}
  {#if next}
    <a
      href={p(`/builds/:id/${next.step}`, { params: { id: String(build.id) } })}
      class="m-3 mt-4 hidden border-l-3 border-primary pl-2 text-sm leading-snug text-base-content no-underline lg:block"
    >
      <span class="block text-xs text-faint">Next question</span>
      {next.question}
      <span class="block text-primary underline underline-offset-3">{next.how}</span>
    </a>
  {/if}
</nav>
