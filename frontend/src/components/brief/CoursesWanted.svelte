<script lang="ts">
  import type { Problem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import AddOne from './AddOne.svelte'
  import Steers from './Steers.svelte'

  /** Courses that somebody wishes to play, by name. */
  let { courses }: { courses: readonly string[] } = $props()
  const build = $derived(useBuild()())

  function keep(courses_wanted: string[], what: string): Promise<Problem[]> {
    return build.changeBrief(what, { courses_wanted })
  }

  const add = (name: string): Promise<Problem[]> => keep([...courses, name], `course: ${name}`)
</script>

<h3 class="mt-3 text-base">Courses we wish to play</h3>
<ul>
  {#each courses as course (course)}
    <li class="flex items-center gap-2 border-b border-base-300 py-1">
      <span class="min-w-0 flex-1 break-words">{course}</span>
      <button
        class="btn btn-ghost text-primary btn-xs"
        aria-label="Take out: {course}"
        onclick={() =>
          void keep(
            courses.filter((other) => other !== course),
            `taking out: ${course}`,
          )}>Take out</button
      >
    </li>
  {/each}
</ul>
<AddOne label="Another course to play" placeholder="A course, by its name" {add} />
<Steers fields={['courses_wanted']} />
