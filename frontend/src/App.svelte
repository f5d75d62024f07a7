<script lang="ts">
  import { Router } from 'sv-router'
  import { session } from './lib/session.svelte'
  import './router'

  void session.load()
</script>

<Router />
