<script lang="ts">
  import type { Problem } from '../../api/client'

  /** One more of a list, by what it is called; what is refused stays to be mended. */
  interface Props {
    label: string
    placeholder: string
    add: (name: string) => Promise<Problem[]>
  }

  let { label, placeholder, add }: Props = $props()
  let fresh = $state('')
  let refused = $state('')
  const id = $props.id()

  async function submit(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    const typed = fresh.trim()
    const [problem] = await add(typed)
    refused = problem ? `${typed} is not accepted: ${problem.accepted}` : ''
    if (!problem) fresh = ''
  }
</script>

<form class="mt-2 flex items-end gap-2" onsubmit={(event) => void submit(event)}>
  <label class="min-w-0 flex-1"
    ><span class="sr-only">{label}</span><input
      class="blank w-full"
      {placeholder}
      maxlength="120"
      aria-invalid={refused ? 'true' : undefined}
      aria-describedby={refused ? `${id}-refused` : undefined}
      bind:value={fresh}
    /></label
  >
  <button class="btn btn-primary btn-xs" disabled={fresh.trim() === ''}>Add it</button>
</form>
{#if refused}<p id="{id}-refused" role="alert" class="text-sm break-words text-error">{refused}</p>{/if}
