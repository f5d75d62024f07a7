<script lang="ts">
  interface Props {
    id: string
    label: string
    accept: string
    pick: (file: File) => void
  }

  let { id, label, accept, pick }: Props = $props()
</script>

<label for={id} class="block text-sm text-faint">{label}</label>
<input
  {id}
  type="file"
  {accept}
  class="mt-1 w-full file:mr-3 file:cursor-pointer file:rounded file:border file:border-primary file:px-3 file:py-1 file:text-primary"
  onchange={(event) => {
    const file = event.currentTarget.files?.[0]
    if (file) pick(file)
  }}
/>
