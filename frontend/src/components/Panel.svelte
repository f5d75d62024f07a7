<script lang="ts">
  import X from '@lucide/svelte/icons/x'
  import type { Snippet } from 'svelte'

  interface Props {
    title: string
    close: () => void
    children: Snippet
  }

  let { title, close, children }: Props = $props()
  const id = $props.id()

  function open(dialog: HTMLDialogElement): void {
    dialog.showModal()
  }
</script>

<dialog
  class="m-0 ml-auto h-dvh max-h-none w-full max-w-lg border-l border-base-content bg-base-100 p-0 text-base-content backdrop:bg-black/30"
  aria-labelledby={id}
  {@attach open}
  onclose={close}
  onclick={(event) => event.target === event.currentTarget && close()}
>
  <div class="flex min-h-full flex-col gap-4 p-5">
    <header class="flex items-start justify-between gap-4">
      <h2 {id} class="text-xl">{title}</h2>
      <button class="btn btn-square btn-ghost btn-sm" aria-label="Close" onclick={close}
        ><X size={18} /></button
      >
    </header>
    {@render children()}
  </div>
</dialog>
