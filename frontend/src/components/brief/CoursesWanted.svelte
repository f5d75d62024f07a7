<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import Steers from './Steers.svelte'

  /** Courses that somebody wishes to play, by name. */
  let { courses }: { courses: readonly string[] } = $props()
  const build = $derived(useBuild()())
  let fresh = $state('')

  function keep(courses_wanted: string[], what: string): void {
    void build.changeBrief(what, { courses_wanted })
  }

  function add(event: SubmitEvent): void {
    event.preventDefault()
    const name = fresh.trim()
    const known = courses.some((other) => other.toLowerCase() === name.toLowerCase())
    if (!known) keep([...courses, name], `course: ${name}`)
    fresh = ''
  }
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
          keep(
            courses.filter((other) => other !== course),
            `taking out: ${course}`,
          )}>Take out</button
      >
    </li>
  {/each}
</ul>
<form class="mt-2 flex items-end gap-2" onsubmit={add}>
  <label class="min-w-0 flex-1"
    ><span class="sr-only">Another course to play</span><input
      class="blank w-full"
      placeholder="A course, by its name"
      maxlength="120"
      bind:value={fresh}
    /></label
  >
  <button class="btn btn-primary btn-xs" disabled={fresh.trim() === ''}>Add it</button>
</form>
<Steers fields={['courses_wanted']} />
