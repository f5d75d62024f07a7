<script lang="ts">
  import type { Problem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  type ZoneField = 'floor_x_m' | 'floor_y_m' | 'floor_width_m' | 'floor_length_m'

  interface Props {
    /** What is laid. */
    name: string
    /** Where its texts are: `layout`, or the place of an extra. */
    path: string
    fixed: boolean | null
    change: (
      what: string,
      values: Partial<Record<ZoneField, string | null>> & { floor_fixed?: boolean | null },
    ) => Promise<Problem[]>
  }

  /** Which part of the floor a covering lies on; what is left empty goes to the wall. */
  let { name, path, fixed, change }: Props = $props()
  const build = $derived(useBuild()())
  const FIELDS: readonly [ZoneField, string, string][] = [
    ['floor_x_m', 'From the left wall', 'at it'],
    ['floor_y_m', 'From the screen wall', 'at it'],
    ['floor_width_m', 'Width', 'to the wall'],
    ['floor_length_m', 'Length', 'to the wall'],
  ]
  const FIXED = { '': 'as is usual for it', fixed: 'glued or taped down', loose: 'loose' } as const
</script>

<div class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 gap-y-1 text-sm">
  {#each FIELDS as [field, label, hint] (field)}
    <span>{label}</span>
    <QuantityField
      label="{label}: {name}"
      text={build.texts[`${path}.${field}`] ?? ''}
      {hint}
      commit={(typed) => change(`${label.toLowerCase()} ${typed}`, { [field]: typed === '' ? null : typed })}
    />
  {/each}
  <span>It lies</span>
  <Choice
    label="How it lies: {name}"
    narrow
    value={fixed === null ? '' : fixed ? 'fixed' : 'loose'}
    options={FIXED}
    choose={(lies) => void change(FIXED[lies], { floor_fixed: lies === '' ? null : lies === 'fixed' })}
  />
</div>
