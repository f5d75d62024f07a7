/** The sign-in page needs the styles and the theme, nothing else. */
import './app.css'
import './lib/preferences.svelte'
