<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { STYLE_BY_PLAYER } from '../../lib/drawing'

  /** What the marks of the drawing mean. */
  const build = $derived(useBuild()())
  const players = $derived(build.reply?.build.brief.players ?? [])
</script>

<details class="relative">
  <summary class="min-h-[26px] cursor-pointer leading-[26px] text-primary">Key</summary>
  <dl
    class="absolute z-30 grid w-72 grid-cols-[2rem_1fr] items-center gap-x-2 gap-y-1 border border-base-content bg-base-100 p-3 text-[13px] max-sm:static"
  >
    {#each players as { id, name, longest_club }, number (id)}
      <dt>
        <svg width="28" height="14" aria-hidden="true"
          ><ellipse
            cx="14"
            cy="7"
            rx="12"
            ry="6"
            class="fill-base-content/5 stroke-base-content"
            stroke-dasharray={STYLE_BY_PLAYER[number % STYLE_BY_PLAYER.length]}
          /></svg
        >
      </dt>
      <dd>{name} with the {longest_club}</dd>
    {/each}
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><ellipse
          cx="14"
          cy="7"
          rx="12"
          ry="6"
          fill="none"
          class="stroke-faint"
          stroke-dasharray="1 4"
        /></svg
      >
    </dt>
    <dd>the same, if the wrists unhinge early</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><path d="M9 2L19 12M9 12L19 2" class="stroke-base-content" stroke-width="1.6" /></svg
      >
    </dt>
    <dd>where a swing comes nearest to something</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><circle cx="14" cy="7" r="5" class="fill-base-100 stroke-base-content" /></svg
      >
    </dt>
    <dd>a golfer’s head</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><rect
          x="9"
          y="2"
          width="10"
          height="10"
          class="fill-base-content"
          transform="rotate(45 14 7)"
        /></svg
      >
    </dt>
    <dd>the launch monitor</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><rect
          x="2"
          y="2"
          width="24"
          height="10"
          class="fill-primary/10 stroke-primary"
          stroke-dasharray="2 3"
        /></svg
      >
    </dt>
    <dd>where the ball may lie, clear for everybody</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><rect x="2" y="2" width="24" height="10" class="fill-success/20 stroke-success" /></svg
      >
    </dt>
    <dd>the mat</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><path d="M2 7L26 2V12Z" class="fill-warning/15 stroke-warning" /></svg
      >
    </dt>
    <dd>the projector’s light</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><rect x="2" y="2" width="24" height="10" class="fill-base-content/25 stroke-base-content" /></svg
      >
    </dt>
    <dd>what is in the room; greener, what it must still hold</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><path d="M2 7H26" class="stroke-base-content" stroke-dasharray="1 3" stroke-linecap="round" /></svg
      >
    </dt>
    <dd>the picture’s cable</dd>
    <dt>
      <svg width="28" height="14" aria-hidden="true"
        ><path d="M2 7H26" class="stroke-base-content" stroke-dasharray="9 3 2 3" /></svg
      >
    </dt>
    <dd>target line and screen line</dd>
  </dl>
</details>
