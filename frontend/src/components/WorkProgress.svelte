<script lang="ts" generics="T extends { job: JobNow | null }">
  import type { JobNow } from '../api/client'
  import { useBuild } from '../lib/build.svelte'
  import type { Work } from '../lib/work.svelte'

  /** How far long work is, with a way to stop it; why it failed; and that its answer is of an older state. */
  let { work, ofBuild = true }: { work: Work<T>; ofBuild?: boolean } = $props()
  const build = $derived(useBuild()())
  const job = $derived(work.job)
  const isOlder = $derived(
    ofBuild && job !== null && build.reply !== null && job.revision !== build.reply.revision,
  )
</script>

{#if work.message}<p role="alert" class="text-sm text-error">{work.message}</p>{/if}
{#if job && work.isOpen}
  <div class="mt-2 flex flex-wrap items-center gap-3 text-sm" role="status">
    <progress class="progress progress-primary w-40" max="1" value={job.share_done}></progress>
    <span
      >{job.nobody_works
        ? 'It waits: nothing is running that works it out. Start it with manage.py work.'
        : job.state === 'waiting'
          ? 'Waiting for its turn'
          : `Looking at ${job.words || 'what there is'}`}</span
    >
    <button class="btn btn-outline btn-xs" onclick={() => void work.cancel()}>Cancel</button>
  </div>
{:else if job?.state === 'failed'}
  <p role="alert" class="mt-2 text-sm text-error">It could not be worked out. {job.words}</p>
{:else if job?.state === 'cancelled'}
  <p role="status" class="mt-2 text-sm text-faint">It was cancelled.</p>
{:else if job && isOlder}
  <p class="mt-2 border-l-3 border-warning pl-2 text-sm">
    This was worked out for the build as it was before later edits. Work it out again before you rely on it.
  </p>
{/if}
