<script lang="ts">
  /** A file is read once, when it is chosen: what was looked at is what is taken in, whatever becomes of the file. */
  interface Props {
    id: string
    label: string
    accept: string
    pick: (file: File) => void
  }

  let { id, label, accept, pick }: Props = $props()
  let unread = $state('')

  async function read(chosen: File): Promise<void> {
    unread = ''
    try {
      pick(new File([await chosen.arrayBuffer()], chosen.name, { type: chosen.type }))
    } catch {
      unread = chosen.name
    }
  }
</script>

<label for={id} class="block text-sm text-faint">{label}</label>
<!-- Forgotten before each choice: the same file, put right meanwhile, is read again. -->
<input
  {id}
  type="file"
  {accept}
  class="mt-1 w-full file:mr-3 file:cursor-pointer file:rounded file:border file:border-primary file:px-3 file:py-1 file:text-primary"
  onclick={(event) => (event.currentTarget.value = '')}
  onchange={(event) => {
    const file = event.currentTarget.files?.[0]
    if (file) void read(file)
  }}
/>
{#if unread}
  <p role="alert" class="mt-2 border-l-3 border-error pl-3 text-sm">
    {unread} cannot be read: was it moved? Choose it again.
  </p>
{/if}
