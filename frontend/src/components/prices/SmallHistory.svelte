<script lang="ts">
  /** A price over a year and a half in steps, with gaps where nobody saw one; beside it stands what it says in words. */
  interface Props {
    /** At the end of each week, today last. */
    weekly: readonly (number | null)[]
    /** Half of the days it cost no more. */
    usual: number | null
    high?: number
  }
  let { weekly, usual, high = 40 }: Props = $props()
  const WIDE = 176
  const EDGE = 4

  const known = $derived([...weekly, usual].filter((minor) => minor !== null))
  const least = $derived(Math.min(...known))
  const most = $derived(Math.max(...known))
  const x = (week: number): number => EDGE + (week / Math.max(weekly.length - 1, 1)) * (WIDE - 2 * EDGE)
  const y = (minor: number): number =>
    most === least ? high / 2 : EDGE + ((most - minor) / (most - least)) * (high - 2 * EDGE)
  const path = $derived.by(() => {
    let told = ''
    let before: number | null = null
    weekly.forEach((minor, week) => {
      if (minor !== null) told += before === null ? `M${x(week)} ${y(minor)}` : `H${x(week)}V${y(minor)}`
      before = minor
    })
    return told
  })
  const today = $derived(weekly.at(-1) ?? null)
</script>

<svg viewBox="0 0 {WIDE} {high}" width={WIDE} height={high} aria-hidden="true" class="max-w-full">
  {#if usual !== null}
    <line
      x1={EDGE}
      y1={y(usual)}
      x2={WIDE - EDGE}
      y2={y(usual)}
      stroke="currentColor"
      stroke-opacity="0.45"
      stroke-dasharray="3 3"
    />
  {/if}
  <path d={path} fill="none" stroke="currentColor" stroke-width="1.5" />
  {#if today !== null}
    <circle cx={x(weekly.length - 1)} cy={y(today)} r="3.5" class="fill-primary" />
  {/if}
</svg>
