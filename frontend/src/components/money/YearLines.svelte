<script lang="ts">
  /** Up to two amounts over the years, each named at its end; whoever shows it tells the same in a table. */
  interface YearLine {
    name: string
    /** What it comes to in the end. */
    text: string
    /** At the beginning. */
    from: number
    /** By the end of each year, as shares of the height. */
    shares: readonly number[]
  }

  let { lines, caption }: { lines: readonly YearLine[]; caption: string } = $props()
  /** As wide as there is room for, so that what is written stays as large as elsewhere. */
  let room = $state(620)
  const WIDE = $derived(Math.max(300, Math.min(room, 760)))
  const HIGH = 190
  const LEFT = 8
  const BASE = 160
  const TOP = 16
  const LABELS = 100
  const NEAR = 30
  const HIGHEST = 14
  const count = $derived(lines[0]?.shares.length ?? 0)

  interface Spot {
    x: number
    y: number
  }

  const x = (year: number): number => LEFT + (year / Math.max(count, 1)) * (WIDE - LEFT - LABELS)
  const y = (share: number): number => BASE - share * (BASE - TOP)
  const path = (spots: Spot[]): string =>
    spots.map((spot, at) => `${at ? 'L' : 'M'}${spot.x} ${spot.y}`).join('')
  const drawn = $derived(
    lines.map((line, number) => ({
      ...line,
      first: number === 0,
      spots: [line.from, ...line.shares].map((share, year) => ({ x: x(year), y: y(share) })),
    })),
  )
  /** Two names at one height push each other apart. */
  const ends = $derived.by(() => {
    const [mine = BASE, theirs] = drawn.map(({ spots }) => spots.at(-1)?.y ?? BASE)
    if (theirs === undefined || Math.abs(theirs - mine) >= NEAR) return [mine, theirs ?? BASE]
    const up = mine <= theirs
    // Both keep on the drawing: the upper one no higher than its two lines of text need.
    const upper = Math.max(HIGHEST, Math.min(mine, theirs) - 15)
    const lower = Math.max(upper + NEAR, Math.max(mine, theirs) + 15)
    return up ? [upper, lower] : [lower, upper]
  })
</script>

<figure class="mt-3" bind:clientWidth={room}>
  <svg viewBox="0 0 {WIDE} {HIGH}" width={WIDE} height={HIGH} aria-hidden="true">
    <line x1={LEFT} y1={BASE} x2={WIDE - LABELS} y2={BASE} stroke="currentColor" stroke-opacity="0.5" />
    {#each { length: count }, number}
      <line
        x1={x(number + 1)}
        y1={BASE}
        x2={x(number + 1)}
        y2={BASE + 4}
        stroke="currentColor"
        stroke-opacity="0.5"
      />
      <text x={x(number + 1)} y={BASE + 18} text-anchor="middle" class="fill-current text-[12px]"
        >{WIDE < 480 ? '' : 'year '}{number + 1}</text
      >
    {/each}
    {#each drawn as { name, text, first, spots }, number (name)}
      <g class={first ? '' : 'text-primary'}>
        <path
          d={path(spots)}
          fill="none"
          stroke="currentColor"
          stroke-width="2"
          stroke-dasharray={first ? undefined : '6 4'}
        />
        {#each spots.slice(1) as spot (spot.x)}
          {#if first}<circle cx={spot.x} cy={spot.y} r="3" class="fill-current" />
          {:else}<rect x={spot.x - 3} y={spot.y - 3} width="6" height="6" class="fill-primary" />{/if}
        {/each}
        <text
          x={WIDE - LABELS + 8}
          y={(ends[number] ?? BASE) - 2}
          class="fill-current text-[12px] font-semibold">{name}</text
        >
        <text x={WIDE - LABELS + 8} y={(ends[number] ?? BASE) + 12} class="fill-current text-[12px]"
          >{text}</text
        >
      </g>
    {/each}
  </svg>
  <figcaption class="sr-only">{caption}</figcaption>
</figure>
