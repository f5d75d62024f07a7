<script lang="ts">
  import type { Problem } from '../../api/client'

  interface Props {
    label: string
    day: string | null | undefined
    commit: (day: string | null) => Promise<Problem[]>
  }

  /** A day, or none. */
  let { label, day, commit }: Props = $props()
</script>

<label class="flex flex-col"
  ><span class="text-xs text-faint">{label}</span><input
    type="date"
    class="blank w-32"
    value={day ?? ''}
    onchange={(event) => void commit(event.currentTarget.value || null)}
  /></label
>
