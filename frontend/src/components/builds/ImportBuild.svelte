<script lang="ts">
  import { api, type BuildReply, outcome, type Outcome } from '../../api/client'
  import { navigate } from '../../router'
  import FilePicker from '../FilePicker.svelte'

  let { failed }: { failed: (found: Outcome<BuildReply>) => void } = $props()

  async function read(file: File): Promise<void> {
    const body = new FormData()
    body.set('file', file)
    const found = await outcome(
      api.POST('/api/builds/import', { body: { file: '' }, bodySerializer: () => body }),
    )
    if (found.data) await navigate('/builds/:id/parts', { params: { id: String(found.data.id) } })
    else failed(found)
  }
</script>

<div>
  <h2 class="mb-2 text-xl">Read a build file</h2>
  <FilePicker
    id="build-file"
    label="Yours or somebody else's, as a new build"
    accept=".json,application/json"
    pick={(file) => void read(file)}
  />
</div>
