<script lang="ts">
  import type { Drawn } from '../../lib/drawing'

  /** A dimension line with the slashes at its ends that a builder draws. */
  let { line, strong = false }: { line: Drawn; strong?: boolean } = $props()
  const SLASH = 4
</script>

<g class={strong ? 'stroke-primary' : 'stroke-faint'} stroke-width={strong ? 3 : 0.8}>
  <line x1={line.x1} y1={line.y1} x2={line.x2} y2={line.y2} />
  {#each [[line.x1, line.y1], [line.x2, line.y2]] as const as [x, y], index (index)}
    <line x1={x - SLASH} y1={y + SLASH} x2={x + SLASH} y2={y - SLASH} stroke-width="1.4" />
  {/each}
</g>
