import { svelte } from '@sveltejs/vite-plugin-svelte'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vitest/config'

// Django serves the built files under /static/ and finds them by the manifest.
export default defineConfig({
  plugins: [svelte(), tailwindcss()],
  base: '/static/',
  build: {
    manifest: 'manifest.json',
    assetsInlineLimit: 0,
    rolldownOptions: { input: ['src/main.ts', 'src/sign-in.ts'] },
  },
  // No page of Vite's own leads to the sources, so they are named for finding dependencies at the start.
  optimizeDeps: { entries: ['src/main.ts'] },
  test: { environment: 'happy-dom', include: ['src/**/*.test.ts'] },
  // Svelte's own code for a browser, in tests as well.
  ...(process.env.VITEST && { resolve: { conditions: ['browser'] } }),
  server: { port: 5173, strictPort: true, origin: 'http://localhost:5173' },
})
