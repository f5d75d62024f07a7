<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { STYLE_BY_PLAYER } from '../../lib/drawing'

  /** A mark as it is drawn, in a box of 28 × 14. */
  interface Mark {
    path: string
    ink: string
    dashes?: string | undefined
  }

  const SWING = 'M2 7a12 6 0 1 0 24 0a12 6 0 1 0-24 0Z'
  const BOX = 'M2 2H26V12H2Z'
  const LINE = 'M2 7H26'

  const MARKS: readonly (Mark & { words: string })[] = [
    {
      words: 'the same, if the wrists unhinge early',
      path: SWING,
      ink: 'fill-none stroke-faint',
      dashes: '1 4',
    },
    {
      words: 'where a swing comes nearest to something',
      path: 'M9 2L19 12M9 12L19 2',
      ink: 'stroke-base-content',
    },
    {
      words: 'a golfer’s head',
      path: 'M9 7a5 5 0 1 0 10 0a5 5 0 1 0-10 0Z',
      ink: 'fill-base-100 stroke-base-content',
    },
    { words: 'the launch monitor', path: 'M14 0L21 7L14 14L7 7Z', ink: 'fill-base-content' },
    {
      words: 'where the ball may lie, clear for everybody',
      path: BOX,
      ink: 'fill-primary/10 stroke-primary',
      dashes: '2 3',
    },
    {
      words: 'a layer of the floor that does not cover all of it',
      path: BOX,
      ink: 'fill-base-content/8 stroke-faint',
      dashes: '7 2',
    },
    { words: 'the mat', path: BOX, ink: 'fill-success/20 stroke-success' },
    { words: 'the projector’s light', path: 'M2 7L26 2V12Z', ink: 'fill-warning/15 stroke-warning' },
    {
      words: 'what is in the room; greener, what it must still hold',
      path: BOX,
      ink: 'fill-base-content/25 stroke-base-content',
    },
    { words: 'kept clear', path: BOX, ink: 'fill-primary/10 stroke-faint', dashes: '5 4' },
    { words: 'the picture’s cable', path: LINE, ink: 'stroke-base-content', dashes: '1 3' },
    { words: 'target line and screen line', path: LINE, ink: 'stroke-base-content', dashes: '9 3 2 3' },
  ]

  /** What the marks of the drawing mean. */
  const build = $derived(useBuild()())
  const players = $derived(build.reply?.build.brief.players ?? [])
</script>

{#snippet entry({ path, ink, dashes }: Mark, words: string)}
  <dt>
    <svg width="28" height="14" aria-hidden="true"
      ><path d={path} class={ink} stroke-dasharray={dashes} stroke-linecap="round" /></svg
    >
  </dt>
  <dd>{words}</dd>
{/snippet}

<details class="relative">
  <summary class="min-h-[26px] cursor-pointer leading-[26px] text-primary">Key</summary>
  <dl
    class="absolute z-30 grid w-72 grid-cols-[2rem_1fr] items-center gap-x-2 gap-y-1 border border-base-content bg-base-100 p-3 text-[13px] max-sm:static"
  >
    {#each players as { id, name, longest_club }, number (id)}
      {@render entry(
        {
          path: SWING,
          ink: 'fill-base-content/5 stroke-base-content',
          dashes: STYLE_BY_PLAYER[number % STYLE_BY_PLAYER.length],
        },
        `${name} with the ${longest_club}`,
      )}
    {/each}
    {#each MARKS as mark (mark.words)}{@render entry(mark, mark.words)}{/each}
  </dl>
</details>
