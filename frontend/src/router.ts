/** Addresses and the views behind them; those that few sessions begin with are fetched when they are opened. */
import { createRouter } from 'sv-router'
import BriefView from './views/BriefView.svelte'
import BuildShell from './views/BuildShell.svelte'
import BuildsView from './views/BuildsView.svelte'
import MeasureView from './views/MeasureView.svelte'
import NotFound from './views/NotFound.svelte'
import PartsView from './views/PartsView.svelte'
import RoomsView from './views/RoomsView.svelte'
import RoomView from './views/RoomView.svelte'

export const { p, navigate, route } = createRouter({
  '/': BuildsView,
  '/builds/:id': {
    '/': PartsView,
    '/brief': BriefView,
    '/room': RoomView,
    '/rooms': RoomsView,
    '/room/measure': MeasureView,
    '/parts': PartsView,
    '/money': () => import('./views/MoneyView.svelte'),
    '/money/print': () => import('./views/MoneyPrintView.svelte'),
    '/catalogue': () => import('./views/CatalogueView.svelte'),
    '/prices': () => import('./views/PricesView.svelte'),
    '/prices/sources': () => import('./views/SourcesView.svelte'),
    '/shops': () => import('./views/ShopsView.svelte'),
    '/print': () => import('./views/PrintView.svelte'),
    layout: BuildShell,
  },
  '*': NotFound,
})
