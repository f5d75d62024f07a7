<script lang="ts">
  import { api, type MailboxNow, outcome } from '../../api/client'
  import { Resource } from '../../lib/resource.svelte'

  /** Mail that the application sent, where it goes into a folder of this machine. */
  const asking = new Resource<MailboxNow>((signal) => outcome(api.GET('/api/prices/mailbox', { signal })))
  const box = $derived(asking.data)

  $effect(() => {
    void asking.load()
    return () => asking.stop()
  })
</script>

{#if asking.message}<p role="alert" class="text-error">{asking.message}</p>{/if}
{#if box && !box.is_stand_in}
  <p class="text-sm">Alerts are sent to {box.address}.</p>
{:else if box}
  <p class="max-w-prose text-sm text-faint">
    No mail server is set: mail to {box.address} stays in a folder of this machine, and is read here.
  </p>
  <ul class="mt-1 divide-y divide-base-300 border-y border-base-300">
    {#each box.mails as mail, number (number)}
      <li class="py-1">
        <details>
          <summary class="min-h-8 cursor-pointer text-sm"
            ><span class="text-faint tabular-nums">{mail.sent_at.slice(0, 10)}</span> {mail.subject}</summary
          >
          <p class="pb-2 text-sm whitespace-pre-line">{mail.text}</p>
        </details>
      </li>
    {:else}
      <li class="py-2 text-sm text-faint">No mail yet.</li>
    {/each}
  </ul>
{/if}
